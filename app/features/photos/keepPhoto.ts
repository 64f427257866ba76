import { isHeic, LARGEST_PHOTO, NOT_HEIC, type Photo } from '@plesion/contract';
import { api } from '../../lib/api';
import { hashOf, isPicture } from '../../lib/files';
import { outbox } from '../../lib/outbox/outbox';

/** @throws Error that says what is wrong with the file and what to do. */
async function checkPicture(file: File): Promise<void> {
  if (file.size > LARGEST_PHOTO) throw new Error('It is larger than 40 MB. Choose a smaller one.');
  if (isHeic(new Uint8Array(await file.slice(0, 12).arrayBuffer()))) throw new Error(NOT_HEIC);
  if (!(await isPicture(file))) throw new Error('This file is not a photo that can be read. Choose a JPEG, PNG or WebP.');
}

/**
 * Keep a photo on this device; it goes to the server with the specimen that names it.
 *
 * @returns the hash of its content.
 * @throws Error that says what is wrong with the file and what to do.
 */
export async function keepPhoto(station: string, file: File): Promise<string> {
  await checkPicture(file);
  const hash = await hashOf(file);
  // Where the page cannot work the hash out, the server does.
  if (hash === undefined) return (await sendNow(file)).hash;
  await outbox().keepFile(station, hash, file);
  return hash;
}

/**
 * Send a photo to the station at once: for what is no specimen's.
 *
 * @throws Error that says what is wrong with the file, or that it could not be sent.
 */
export async function sendPhoto(file: File): Promise<Photo> {
  await checkPicture(file);
  return sendNow(file);
}

function sendNow(file: File): Promise<Photo> {
  const body = new FormData();
  body.append('photo', file);
  return api('addPhoto', { body });
}
