import { spawn, spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { Stop } from './say.mjs';

/** The clone. */
export const root = fileURLToPath(new URL('../../', import.meta.url));

const failure = (told, hint, command, args) =>
  new Stop(`${told.trim().split('\n').slice(-25).join('\n')}\n${hint ?? `“${command} ${args.join(' ')}” failed.`}`.trim());

/** Run to its end; its output is shown only when it fails. */
export function run(command, args, { env, cwd = root, hint, input } = {}) {
  const result = spawnSync(command, args, {
    cwd,
    env: { ...process.env, ...env },
    stdio: 'pipe',
    input,
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (result.status === 0) return result.stdout;
  throw failure([result.stdout, result.stderr].filter(Boolean).join('\n'), hint, command, args);
}

/** {@link run}, while others run too. */
export function runBeside(command, args, { hint } = {}) {
  const running = child(command, args, { stdio: ['ignore', 'pipe', 'pipe'] });
  let told = '';
  for (const stream of [running.stdout, running.stderr]) stream.on('data', (chunk) => (told += chunk));
  return new Promise((resolve, reject) => {
    running.on('error', reject);
    running.on('close', (status) => (status === 0 ? resolve(told) : reject(failure(told, hint, command, args))));
  });
}

export const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;

export const isRoot = () => process.getuid?.() === 0;

/** A child of this process that is stopped with it. */
export function child(command, args, { env, cwd = root, stdio = 'inherit' } = {}) {
  return spawn(command, args, { cwd, env: { ...process.env, ...env }, stdio });
}
