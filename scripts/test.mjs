import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { spawn, spawnSync } from 'node:child_process';
import { needChromium } from './lib/debian.mjs';
import { needPackages } from './lib/packages.mjs';
import { dataFolder, startPostgres } from './lib/postgres.mjs';
import { root } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** One step of the checks; its output is shown as it comes. */
function step(title, command, args, env = {}) {
  say(`\n— ${title}`);
  const { status } = spawnSync(command, args, { cwd: root, stdio: 'inherit', env: { ...process.env, ...env } });
  return status === 0;
}

/** A step that others may go beside; its output is shown when it is done. */
function beside(title, command, args) {
  const child = spawn(command, args, { cwd: root, stdio: ['ignore', 'pipe', 'pipe'] });
  let told = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (chunk) => (told += chunk));
  return new Promise((resolve) => {
    child.on('error', (error) => (told += error.message));
    child.on('close', (status) => {
      say(`\n— ${title}\n${told.trimEnd()}`);
      resolve(status === 0);
    });
  });
}

await main(async () => {
  needPackages();
  const folder = join(dataFolder(), 'test');
  mkdirSync(folder, { recursive: true });
  const checks = Promise.all([
    beside('types', 'npm', ['run', 'types']),
    beside('lint', 'npm', ['run', 'lint']),
    beside('web client', process.execPath, ['scripts/client.mjs']),
  ]);
  const chromium = needChromium();
  const [types, lint, client] = await checks;
  if (!client) throw new Stop('The web client could not be made.');
  const database = process.env.TEST_DATABASE_URL ? undefined : await startPostgres(join(folder, 'postgres'));
  const results = join(folder, 'results.json');
  rmSync(results, { force: true });
  let jest;
  try {
    jest = step(
      'unit, server and browser tests',
      'npx',
      ['jest', '--maxWorkers=3', '--json', `--outputFile=${results}`, '--testLocationInResults=false'],
      {
        TEST_DATABASE_URL: process.env.TEST_DATABASE_URL ?? (await database.ensure('plesion_test')),
        CHROMIUM: chromium,
        NODE_ENV: 'test',
      },
    );
  } finally {
    database?.stop();
  }
  if (!existsSync(results)) throw new Stop('The tests did not run to their end.');
  const { numPassedTests, numFailedTests, numPendingTests, numFailedTestSuites } = JSON.parse(readFileSync(results, 'utf8'));
  const others = [
    ['types', types],
    ['lint', lint],
  ]
    .filter(([, passed]) => !passed)
    .map(([name]) => name);
  if (others.length) say(`\nNot passed: ${others.join(', ')}`);
  const failed = numFailedTests + others.length + (numFailedTests === 0 ? numFailedTestSuites : 0);
  say(`\n${numPassedTests} passed, ${failed} failed${numPendingTests ? `, ${numPendingTests} skipped` : ''}`);
  process.exit(types && lint && jest && failed === 0 ? 0 : 1);
});
