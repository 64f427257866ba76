import { createWriteStream } from 'node:fs';
import type { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { Settings as FolderSettings } from './folder';
import { openFolder } from './folder';
import type { Settings as BucketSettings } from './bucket';

/** Where what is too large for a row lies: photos as they were sent and as they are shown, archives. */
export interface FileStore {
  /** Kept whole or not at all; what stood there under the key is replaced. */
  put(key: string, bytes: Buffer): Promise<void>;
  /** @returns undefined where there is none. */
  get(key: string): Promise<Buffer | undefined>;
  /** Keep a file of this machine, however large. */
  putFrom(key: string, path: string): Promise<void>;
  /** To be read piece by piece, however large; undefined where there is none. */
  open(key: string): Promise<{ stream: Readable; bytes: number } | undefined>;
  /** Nothing happens where there is none. */
  remove(key: string): Promise<void>;
}

export type FileSettings = FolderSettings | BucketSettings;

/** Bring a file to this machine, however large. @returns whether there is one. */
export async function bring(files: FileStore, key: string, path: string): Promise<boolean> {
  const found = await files.open(key);
  if (!found) return false;
  await pipeline(found.stream, createWriteStream(path, { mode: 0o600 }));
  return true;
}

/** The store that the settings name; what speaks to an object store is loaded only where one is used. */
export async function openFiles(settings: FileSettings): Promise<FileStore> {
  if ('folder' in settings) return openFolder(settings);
  const { openBucket } = await import('./bucket');
  return openBucket(settings);
}
