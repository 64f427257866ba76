import { isHeic, LARGEST_PHOTO, NOT_HEIC } from '@plesion/contract';
import { api } from '../../lib/api';
import { hashOf, isPicture } from '../../lib/files';
import { outbox } from '../../lib/outbox/outbox';

/**
 * Keep a photo on this device; it goes to the server with the specimen that names it.
 *
 * @returns the hash of its content.
 * @throws Error that says what is wrong with the file and what to do.
 */
export async function keepPhoto(station: string, file: File): Promise<string> {
  if (file.size > LARGEST_PHOTO) throw new Error('It is larger than 40 MB. Choose a smaller one.');
  if (isHeic(new Uint8Array(await file.slice(0, 12).arrayBuffer()))) throw new Error(NOT_HEIC);
  if (!(await isPicture(file))) throw new Error('This file is not a photo that can be read. Choose a JPEG, PNG or WebP.');
  const hash = await hashOf(file);
  // Where the page cannot work the hash out, the server does.
  if (hash === undefined) return sendNow(file);
  await outbox().keepFile(station, hash, file);
  return hash;
}

async function sendNow(file: File): Promise<string> {
  const body = new FormData();
  body.append('photo', file);
  return (await api('addPhoto', { body })).hash;
}
