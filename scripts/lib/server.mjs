import { renameSync } from 'node:fs';
import { createRequire } from 'node:module';
import { join } from 'node:path';
import { pathToFileURL } from 'node:url';
import { root } from './run.mjs';

/** Beside the server's own packages. */
const folder = join(root, 'server', 'node_modules', '.cache', 'server');

/**
 * A program of the server as one file of plain script: to compile its hundreds of sources at each start
 * takes half of the time that it needs to be ready. Packages are found as ever.
 *
 * @param source path of its TypeScript file, below the house.
 * @returns path of a file for node.
 */
export function serverFile(source) {
  // Asked for when it is needed: on a fresh machine the packages come first.
  const { buildSync } = createRequire(join(root, 'server', 'package.json'))('esbuild');
  const from = join(root, source);
  const file = join(folder, `${source.replace(/\.ts$/, '').replaceAll('/', '-')}.mjs`);
  // Another process may make the same at this moment, or begin to read it: what is there is always whole.
  const draft = `${file}.${process.pid}`;
  buildSync({
    entryPoints: [from],
    outfile: draft,
    bundle: true,
    platform: 'node',
    format: 'esm',
    target: 'node20',
    packages: 'external',
    alias: Object.fromEntries(['core', 'contract', 'demo'].map((room) => [`@plesion/${room}`, join(root, room)])),
    // What the sources find beside themselves lies where it lay.
    define: { 'import.meta.url': JSON.stringify(pathToFileURL(from).href) },
  });
  renameSync(draft, file);
  return file;
}
