import { needClient } from './lib/client.mjs';
import { main } from './lib/say.mjs';

await main(async () => needClient());
