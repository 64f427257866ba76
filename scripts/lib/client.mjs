import { createHash } from 'node:crypto';
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { root, run } from './run.mjs';
import { say } from './say.mjs';

export const webRoot = join(root, 'app', 'dist');

/** Hash of every source the web client is made from. */
function sourceHash() {
  const hash = createHash('sha256');
  const walk = (folder) => {
    for (const name of readdirSync(folder).sort()) {
      if (['node_modules', 'dist', '.expo', 'test'].includes(name) || /\.test\.tsx?$/.test(name)) continue;
      const path = join(folder, name);
      if (statSync(path).isDirectory()) walk(path);
      else hash.update(relative(root, path)).update(readFileSync(path));
    }
  };
  for (const room of ['app', 'contract', 'core']) walk(join(root, room));
  hash.update(readFileSync(join(root, 'package-lock.json')));
  return hash.digest('hex');
}

/** Export the web client, unless it was made from these very sources. */
export function needClient() {
  const mark = join(webRoot, '.made-from');
  const hash = sourceHash();
  if (existsSync(mark) && readFileSync(mark, 'utf8') === hash) return;
  say('Making the web client (about a minute, only after changes) …');
  run('npx', ['expo', 'export', '--platform', 'web', '--output-dir', 'dist'], {
    cwd: join(root, 'app'),
    env: { CI: '1', EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', NODE_ENV: 'production' },
    hint: 'The web client could not be made.',
  });
  run(process.execPath, ['export/index.mjs'], {
    cwd: join(root, 'app'),
    hint: 'The web client could not be made ready.',
  });
  writeFileSync(mark, hash);
}
