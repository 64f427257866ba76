import { needChromium, needNexusValidator, needPostgres } from './lib/debian.mjs';
import { main } from './lib/say.mjs';

// Debian’s own, one after the other: its installer lets nobody in beside it.
await main(async () => {
  needPostgres();
  needChromium();
  needNexusValidator();
});
