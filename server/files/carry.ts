import { createHash } from 'node:crypto';
import { mkdir, readFile } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import { createInterface } from 'node:readline';
import { fileSettings } from './settings';
import { bring, openFiles } from './store';

/**
 * Carries files between the store that the surroundings name and a folder of this
 * machine, for backups: `out` or `in`, and the folder. Each line that comes in is a file
 * wanted, each that goes out one that was carried, as JSON; what the store has not is left away.
 */
export interface Carried {
  key: string;
  /** SHA-256 in hex. */
  digest: string;
}

const [direction, folder] = process.argv.slice(2);
const files = await openFiles(fileSettings(process.env));
const digestOf = (bytes: Buffer) => createHash('sha256').update(bytes).digest('hex');

for await (const line of createInterface({ input: process.stdin })) {
  const { key, digest } = JSON.parse(line) as Carried;
  const path = join(folder, key);
  if (direction === 'out') {
    await mkdir(dirname(path), { recursive: true });
    if (!(await bring(files, key, path))) continue;
    process.stdout.write(`${JSON.stringify({ key, digest: digestOf(await readFile(path)) } satisfies Carried)}\n`);
  } else {
    const bytes = await readFile(path);
    if (digestOf(bytes) !== digest) throw new Error(`${key} is not what was written.`);
    await files.put(key, bytes);
  }
}
