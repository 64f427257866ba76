import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { restore } from './lib/backup.mjs';
import { needPostgres } from './lib/debian.mjs';
import { needPackages } from './lib/packages.mjs';
import { withDatabase } from './lib/postgres.mjs';
import { root } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Stop('Say what from: npm run restore -- plesion.backup');
  await needPackages();
  const known = readdirSync(join(root, 'server/database/migrations')).map((name) => name.replace(/\.ts$/, ''));
  const { at, tables } = await withDatabase((url) => restore(needPostgres(), url, file, known));
  say(`Restored as it was at ${at}: ${tables.station?.rows ?? 0} stations. Start Plesion with “npm start”.`);
});
