import type { Readable } from 'node:stream';
import type { StoredGuide } from '@plesion/contract';
import { printGuide } from '@plesion/core/formats';
import { type Guide, photosOf, readGuide } from '@plesion/core/guide';
import yazl from 'yazl';
import { Refused } from '../archive/refused';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { filesOf } from '../files/zip';
import { findGuide, importGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { Caller } from '../http/route';
import { addPhoto, findPhoto, knownPhotos } from '../photos/service';

/** What a guide is carried in: it, and its photographs by the names that it knows them by. */
const GUIDE = 'guide.plesion.json';
const photoIn = (hash: string): string => `photographs/${hash}.jpg`;

/** Bytes of a file that is sent. */
export const LARGEST_BUNDLE = 512 * 1024 * 1024;
export const BUNDLE_TOO_LARGE = 'A guide with its photographs may have 512 MB. Take some of them out, and send it again.';
const MOST = { bytes: 2 * LARGEST_BUNDLE, files: 5002, said: BUNDLE_TOO_LARGE };

/** A guide and its photographs as one file; these as they are shown, so that no place lies hidden in them. */
export async function writeBundle(
  em: Em,
  files: FileStore,
  stationId: string,
  id: string,
): Promise<{ slug: string; stream: Readable }> {
  const { slug, guide } = await findGuide(em, stationId, id);
  const hashes = photosOf(guide);
  const known = await knownPhotos(em, stationId, hashes);
  const zip = new yazl.ZipFile();
  zip.addBuffer(Buffer.from(printGuide(guide)), GUIDE);
  for (const hash of hashes.filter((one) => known.has(one)))
    // What is packed already is not packed again.
    zip.addBuffer(await findPhoto(em, files, stationId, hash, 'whole'), photoIn(hash), { compress: false });
  zip.end();
  return { slug, stream: zip.outputStream as Readable };
}

/**
 * Import a guide with its photographs. Each is kept by what it holds, as every photo is, and the guide names it so: what a
 * file says of itself is not relied on.
 */
export async function readBundle(em: Em, files: FileStore, caller: Caller, path: string | undefined): Promise<StoredGuide> {
  const { content, files: packed } = await guideIn(path);
  const renamed = new Map<string, { hash: string; width: number; height: number }>();
  for (const hash of photosOf(content)) {
    const file = packed.get(photoIn(hash));
    // One that is not in the file stays away, and the guide’s page says so.
    if (file) renamed.set(hash, await addPhoto(em, files, caller, file));
  }
  const figures = content.figures?.map((figure) => {
    const { hash = figure.photo, ...size } = renamed.get(figure.photo) ?? {};
    return { ...figure, ...size, photo: hash };
  });
  return importGuide(em, caller, figures ? { ...content, figures } : content);
}

/** The guide of a file, found right before any photo of it is kept. */
async function guideIn(path: string | undefined): Promise<{ content: Guide; files: ReadonlyMap<string, Buffer> }> {
  if (path === undefined) throw refused('file-missing', 'Choose a file to send.');
  const files = await unpacked(path);
  const text = files.get(GUIDE)?.toString('utf8');
  if (text === undefined) throw refused('no-guide', `There is no “${GUIDE}” in this file: it is no guide with its photographs.`);
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch (error) {
    throw refused('bad-json', `The guide in this file is not JSON: ${(error as Error).message}.`);
  }
  const read = readGuide(json);
  if (!read.ok) throw badRequest(read.problems);
  return { content: read.value, files };
}

async function unpacked(path: string): Promise<ReadonlyMap<string, Buffer>> {
  try {
    return await filesOf(path, MOST);
  } catch (error) {
    throw error instanceof Refused ? badRequest([error.problem]) : error;
  }
}

const refused = (code: string, message: string) => badRequest([{ code, message, field: 'file' }]);
