import { createHash } from 'node:crypto';
import type { Attachment, AttachmentFile } from '@plesion/contract/verifications';
import { AttachmentEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { badRequest, notFound } from '../http/errors';
import { type Counted, needRoom } from '../station/quota';

export const attachmentKey = (stationId: string, hash: string) => `${stationId}/attachments/${hash.slice(0, 2)}/${hash}`;

/** Keep a file as it was sent, once for its content. Nothing looks into it, and nobody is shown it but as a file. */
export async function addAttachment(em: Em, files: FileStore, counted: Counted, file: Buffer | undefined): Promise<Attachment> {
  const { stationId } = counted;
  if (!file?.length) throw badRequest([{ code: 'file-missing', message: 'Choose a file that is not empty.', field: 'file' }]);
  const attachment = { hash: createHash('sha256').update(file).digest('hex'), bytes: file.length };
  if (await em.count(AttachmentEntity, { stationId, hash: attachment.hash })) return attachment;
  await needRoom(em, counted, 'photos', attachment.bytes);
  // The row comes last: what it names is there.
  await files.put(attachmentKey(stationId, attachment.hash), file);
  await em.upsert(AttachmentEntity, { stationId, ...attachment, createdAt: new Date() });
  return attachment;
}

export async function findAttachment(files: FileStore, stationId: string, hash: string): Promise<Buffer> {
  const file = await files.get(attachmentKey(stationId, hash));
  if (!file) throw notFound('file');
  return file;
}

/** A verification may name only files of its own station. */
export async function checkAttachment(em: Em, stationId: string, file: AttachmentFile | undefined): Promise<void> {
  if (!file || (await em.count(AttachmentEntity, { stationId, hash: file.hash }))) return;
  throw badRequest([{ code: 'unknown-file', message: 'This file is not in the station; send it first.', field: 'file.hash' }]);
}
