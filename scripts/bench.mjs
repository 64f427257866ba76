import { execFileSync } from 'node:child_process';
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { needClient } from './lib/client.mjs';
import { needChromium } from './lib/debian.mjs';
import { needPackages } from './lib/packages.mjs';
import { dataFolder, startPostgres } from './lib/postgres.mjs';
import { child } from './lib/run.mjs';
import { main } from './lib/say.mjs';

await main(async () => {
  await needPackages();
  mkdirSync(join(dataFolder(), 'bench'), { recursive: true });
  const chromium = needChromium();
  needClient();
  const database = process.env.TEST_DATABASE_URL ? undefined : await startPostgres(join(dataFolder(), 'bench', 'postgres'));
  try {
    const bench = child(process.execPath, ['--import', 'tsx', 'bench/index.ts', ...process.argv.slice(2)], {
      env: {
        TEST_DATABASE_URL: process.env.TEST_DATABASE_URL ?? (await database.ensure('plesion_bench')),
        CHROMIUM: chromium,
        SERVER_FILE: execFileSync(process.execPath, ['scripts/server.mjs'], { encoding: 'utf8' }),
      },
    });
    process.exitCode = await new Promise((resolve) => bench.on('exit', (code) => resolve(code ?? 1)));
  } finally {
    database?.stop();
  }
});
