import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { backUp } from './lib/backup.mjs';
import { needPostgres } from './lib/debian.mjs';
import { needPackages } from './lib/packages.mjs';
import { withDatabase } from './lib/postgres.mjs';
import { root } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

await main(async () => {
  const [file] = process.argv.slice(2);
  if (!file) throw new Stop('Say where to: npm run backup -- plesion.backup');
  await needPackages();
  const { version } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8'));
  const { tables, files, lost } = await withDatabase((url) => backUp(needPostgres(), url, file, version));
  const rows = Object.values(tables).reduce((sum, table) => sum + table.rows, 0);
  say(`${file}: ${tables.station?.rows ?? 0} stations, ${rows} rows, ${files.length} files, read back and whole.`);
  if (lost) say(`${lost} photos have rows, but no file where files lie; they were lost before this.`);
});
