import { done, failed, type Outcome } from '@plesion/core';
import type { JobTask } from '../jobs/pool';
import { checkRows } from './check';
import { Refused } from './refused';
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
}

/** Unpacks an archive into a folder and holds everything in it against what a station may hold. */
export default async function run({ request, port }: JobTask<UnpackRequest>): Promise<Outcome<Unpacked>> {
  const { file, folder, most } = request;
  try {
    const manifest = await unpack(file, folder, most, (share) => port.postMessage(share * 0.5));
    const photos = await checkRows(folder, manifest, (share) => port.postMessage(0.5 + share * 0.5));
    return done({ manifest, photos });
  } catch (error) {
    if (error instanceof Refused) return failed(error.problem);
    throw error;
  } finally {
    port.close();
  }
}
