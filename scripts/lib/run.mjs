import { spawn, spawnSync } from 'node:child_process';
import { fileURLToPath } from 'node:url';
import { Stop } from './say.mjs';

/** The clone. */
export const root = fileURLToPath(new URL('../../', import.meta.url));

/** Run to its end; its output is shown only when it fails (or always, with `show`). */
export function run(command, args, { show = false, env, cwd = root, hint } = {}) {
  const result = spawnSync(command, args, {
    cwd,
    env: { ...process.env, ...env },
    stdio: show ? 'inherit' : 'pipe',
    encoding: 'utf8',
    maxBuffer: 1 << 28,
  });
  if (result.status === 0) return result.stdout ?? '';
  const tail = [result.stdout, result.stderr].filter(Boolean).join('\n').trim().split('\n').slice(-25).join('\n');
  throw new Stop(`${tail}\n${hint ?? `“${command} ${args.join(' ')}” failed.`}`.trim());
}

export const has = (command) => spawnSync('sh', ['-c', `command -v ${command}`]).status === 0;

export const isRoot = () => process.getuid?.() === 0;

/** A child of this process that is stopped with it. */
export function child(command, args, { env, cwd = root, stdio = 'inherit' } = {}) {
  return spawn(command, args, { cwd, env: { ...process.env, ...env }, stdio });
}
