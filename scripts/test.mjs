import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { spawn } from 'node:child_process';
import { chromium } from './lib/debian.mjs';
import { needPackages } from './lib/packages.mjs';
import { dataFolder, startPostgres } from './lib/postgres.mjs';
import { root } from './lib/run.mjs';
import { main, say, Stop } from './lib/say.mjs';

/** A step that others may go beside; its output is shown when it is done, or as it comes with `live`. */
function beside(title, command, args, { env, live } = {}) {
  if (live) say(`\n— ${title}`);
  const child = spawn(command, args, {
    cwd: root,
    stdio: live ? 'inherit' : ['ignore', 'pipe', 'pipe'],
    env: { ...process.env, ...env },
  });
  let told = '';
  for (const stream of [child.stdout, child.stderr]) stream?.on('data', (chunk) => (told += chunk));
  return new Promise((resolve) => {
    child.on('error', (error) => (told += error.message));
    child.on('close', (status) => {
      if (!live) say(`\n— ${title}\n${told.trimEnd()}`);
      resolve(status === 0);
    });
  });
}

/** Rooms whose tests need no database and no browser, and the rest. */
const PLAIN = ['core', 'contract', 'demo', 'bench', 'app'];
const WHOLE = ['server', 'e2e'];

/** Run the tests of some rooms; what Jest counted, undefined where it did not come to its end. */
async function test(title, folder, rooms, workers, env) {
  const results = join(folder, `results-${rooms[0]}.json`);
  rmSync(results, { force: true });
  const args = ['jest', '--selectProjects', ...rooms, `--maxWorkers=${workers}`, '--json', `--outputFile=${results}`];
  const passed = await beside(title, 'npx', [...args, '--testLocationInResults=false'], {
    env: { ...env, NODE_ENV: 'test' },
    live: true,
  });
  return existsSync(results) ? { passed, ...JSON.parse(readFileSync(results, 'utf8')) } : undefined;
}

await main(async () => {
  const folder = join(dataFolder(), 'test');
  mkdirSync(folder, { recursive: true });
  // What is missing is fetched beside the packages; what needs none of it is tested meanwhile.
  const programs = beside('PostgreSQL, Chromium and a validator', process.execPath, ['scripts/programs.mjs']);
  await needPackages();
  const client = beside('web client', process.execPath, ['scripts/client.mjs']);
  const types = beside('types', 'npm', ['run', 'types']);
  const lint = beside('lint', 'npm', ['run', 'lint']);
  const plain = await test(`tests of ${PLAIN.join(', ')}`, folder, PLAIN, 2);
  if (!(await programs)) throw new Stop('PostgreSQL or Chromium is missing.');
  if (!(await client)) throw new Stop('The web client could not be made.');
  const weights = beside('what each route weighs', process.execPath, ['app/export/budget.mjs']);
  const database = process.env.TEST_DATABASE_URL ? undefined : await startPostgres(join(folder, 'postgres'), { lasting: false });
  let whole;
  try {
    whole = await test(`tests of ${WHOLE.join(', ')}`, folder, WHOLE, 3, {
      TEST_DATABASE_URL: process.env.TEST_DATABASE_URL ?? (await database.ensure('plesion_test')),
      CHROMIUM: chromium(),
    });
  } finally {
    database?.stop();
  }
  const checks = { types: await types, lint: await lint, weights: await weights };
  if (!plain || !whole) throw new Stop('The tests did not run to their end.');
  const failedChecks = Object.keys(checks).filter((name) => !checks[name]);
  if (failedChecks.length) say(`\nNot passed: ${failedChecks.join(', ')}`);
  const sum = (what) => plain[what] + whole[what];
  say(`\nTest Suites: ${sum('numPassedTestSuites')} passed, ${sum('numTotalTestSuites')} total`);
  say(`Tests:       ${sum('numPassedTests')} passed, ${sum('numTotalTests')} total`);
  const failed = sum('numFailedTests') || sum('numFailedTestSuites');
  const skipped = sum('numPendingTests');
  say(`\n${sum('numPassedTests')} passed, ${failed + failedChecks.length} failed${skipped ? `, ${skipped} skipped` : ''}`);
  process.exit(plain.passed && whole.passed && failedChecks.length === 0 ? 0 : 1);
});
