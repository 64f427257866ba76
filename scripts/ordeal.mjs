import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { needPackages } from './lib/packages.mjs';
import { dataFolder } from './lib/postgres.mjs';
import { child } from './lib/run.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  await needPackages();
  const folder = join(dataFolder(), 'ordeal');
  mkdirSync(folder, { recursive: true });
  const ordeal = child(process.execPath, [
    ...['--import', 'tsx', 'e2e/ordeal/index.ts', '--folder', folder],
    ...process.argv.slice(2),
  ]);
  process.exitCode = await new Promise((resolve) => ordeal.on('exit', (code) => resolve(code ?? 1)));
});
