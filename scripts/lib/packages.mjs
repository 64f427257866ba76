import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { root, runBeside } from './run.mjs';
import { say } from './say.mjs';

/** `npm ci`, unless what the lock file names is installed already. */
export async function needPackages() {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const mark = join(root, 'node_modules', '.plesion-lock');
  if (existsSync(mark) && readFileSync(mark, 'utf8') === lock) return;
  say('Installing packages (npm ci) …');
  await runBeside('npm', ['ci', '--no-audit', '--no-fund'], {
    hint: 'npm ci failed. Check the network and the registry that npm is set to, then run this again.',
  });
  mkdirSync(dirname(mark), { recursive: true });
  writeFileSync(mark, lock);
}
