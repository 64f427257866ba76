import { createHash } from 'node:crypto';
import { existsSync, mkdirSync, renameSync, writeFileSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { buildSync } from 'esbuild';

/** Every thread reads its file anew: our own sources become one file of plain script, kept beside the packages. */
const KEPT = 'node_modules/.cache/threads';

const made = new Map<string, string>();

/**
 * A file that a thread runs at once, made from its source: compiling some hundred sources in each thread would take
 * seconds, also for the thread that follows one that was ended.
 *
 * @param source path of a TypeScript file.
 * @returns path of a file whose name holds the hash of what is in it.
 */
export function threadFile(source: string): string {
  const known = made.get(source);
  if (known) return known;
  const [script] = buildSync({
    entryPoints: [source],
    bundle: true,
    write: false,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    // Packages are found as ever; only what is ours is put together.
    packages: 'external',
    alias: Object.fromEntries(['core', 'contract'].map((room) => [`@plesion/${room}`, join(dirname(source), '../..', room)])),
  }).outputFiles;
  const hash = createHash('sha256').update(script.contents).digest('hex').slice(0, 16);
  const folder = join(dirname(source), '..', KEPT);
  const file = join(folder, `${basename(source, '.ts')}-${hash}.mjs`);
  if (!existsSync(file)) {
    mkdirSync(folder, { recursive: true });
    // Another process may make the same at this moment: what is there is always whole.
    const draft = `${file}.${process.pid}`;
    writeFileSync(draft, script.contents);
    renameSync(draft, file);
  }
  made.set(source, file);
  return file;
}
