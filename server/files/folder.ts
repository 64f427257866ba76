import { randomUUID } from 'node:crypto';
import { copyFile, mkdir, open, readFile, rename, rm } from 'node:fs/promises';
import { dirname, join } from 'node:path';
import type { FileStore } from './store';

export interface Settings {
  folder: string;
}

/** Where there is no such file. */
const absent = (error: NodeJS.ErrnoException) => {
  if (error.code === 'ENOENT') return undefined;
  throw error;
};

/** Files in a folder of this machine, or of one that several machines share. */
export function openFolder({ folder }: Settings): FileStore {
  const at = (key: string) => join(folder, key);
  /** Written beside and moved into place when all of it is on the disk, so that a loss of power leaves no half of it. */
  const keep = async (key: string, write: (path: string) => Promise<void>) => {
    const place = at(key);
    await mkdir(dirname(place), { recursive: true, mode: 0o700 });
    const beside = `${place}.${randomUUID()}.half`;
    try {
      await write(beside);
      await settle(beside);
      await rename(beside, place);
      await settle(dirname(place));
    } finally {
      await rm(beside, { force: true });
    }
  };
  return {
    put: (key, bytes) =>
      keep(key, async (path) => {
        const file = await open(path, 'w', 0o600);
        await file.writeFile(bytes).finally(() => file.close());
      }),
    get: (key) => readFile(at(key)).catch(absent),
    putFrom: (key, from) => keep(key, (path) => copyFile(from, path)),
    open: async (key) => {
      const file = await open(at(key), 'r').catch(absent);
      return file && { stream: file.createReadStream(), bytes: (await file.stat()).size };
    },
    remove: (key) => rm(at(key), { force: true }),
  };
}

async function settle(path: string): Promise<void> {
  const file = await open(path, 'r');
  await file.sync().finally(() => file.close());
}
