import { done } from '@plesion/core';
import { refusing } from '../jobs/refusing';
import { checkRows } from './check';
import type { Manifest } from './parts';
import { unpack } from './unpack';

export interface UnpackRequest {
  file: string;
  folder: string;
  /** Bytes that what is unpacked may take. */
  most: number;
}

export interface Unpacked {
  manifest: Manifest;
  /** Photos with their files, as they were found in the folder. */
  photos: { hash: string; original: boolean }[];
  /** What shows how something turned out, likewise. */
  attachments: string[];
}

/** Unpacks an archive into a folder and holds everything in it against what a station may hold. */
export default refusing(async ({ file, folder, most }: UnpackRequest, onProgress) => {
  const manifest = await unpack(file, folder, most, (share) => onProgress(share * 0.5));
  const files = await checkRows(folder, manifest, (share) => onProgress(0.5 + share * 0.5));
  return done<Unpacked>({ manifest, ...files });
});
