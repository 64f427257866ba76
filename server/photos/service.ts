import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { PhotoEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { badRequest, notFound } from '../http/errors';

/** Longest side kept, and the side of a thumbnail, in pixels. */
const LONGEST = 2400;
const THUMB = 240;

const unreadable = () =>
  badRequest([
    { code: 'photo-unreadable', message: 'This file is not a photo that can be read. Send a JPEG, PNG or WebP.', field: 'photo' },
  ]);

/**
 * Keep a photo, once for its content. What is shown and sent on is turned upright and
 * made anew, so that the place it was taken at does not stay hidden in it; the file as
 * it was sent is kept for measuring, and goes to nobody outside the station.
 */
export async function addPhoto(em: Em, stationId: string, file: Buffer | undefined) {
  if (!file?.length) throw badRequest([{ code: 'photo-missing', message: 'Choose a photo to send.', field: 'photo' }]);
  const hash = createHash('sha256').update(file).digest('hex');
  const known = await em.findOne(PhotoEntity, { stationId, hash }, { fields: ['hash', 'width', 'height'] });
  if (known) return { hash, width: known.width, height: known.height };
  const upright = sharp(file, { limitInputPixels: 100_000_000 }).rotate();
  const [whole, thumb] = await Promise.all([
    upright
      .clone()
      .resize(LONGEST, LONGEST, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 86 })
      .toBuffer({ resolveWithObject: true }),
    upright.clone().resize(THUMB, THUMB, { fit: 'cover' }).jpeg({ quality: 80 }).toBuffer(),
  ]).catch(() => {
    throw unreadable();
  });
  const { width, height } = whole.info;
  await em.upsert(PhotoEntity, {
    stationId,
    hash,
    width,
    height,
    original: file,
    whole: whole.data,
    thumb,
    createdAt: new Date(),
  });
  return { hash, width, height };
}

export async function findPhoto(em: Em, stationId: string, hash: string, size: 'whole' | 'thumb' | 'original'): Promise<Buffer> {
  const photo = await em.findOne(PhotoEntity, { stationId, hash }, { fields: [size] });
  if (!photo) throw notFound('photo');
  return (photo as Partial<Record<typeof size, Buffer>>)[size] ?? findPhoto(em, stationId, hash, 'whole');
}

/** A specimen may show only files of its own station. */
export async function checkPhotos(
  em: Em,
  stationId: string,
  { photo, media = [] }: { photo?: string; media?: readonly { hash: string }[] },
): Promise<void> {
  const wanted = [
    ...(photo === undefined ? [] : [{ hash: photo, field: 'photo' }]),
    ...media.map(({ hash }, i) => ({ hash, field: `media[${i}].hash` })),
  ];
  if (wanted.length === 0) return;
  const rows = await em.find(PhotoEntity, { stationId, hash: { $in: wanted.map(({ hash }) => hash) } }, { fields: ['hash'] });
  const known = new Set(rows.map(({ hash }) => hash));
  const missing = wanted.find(({ hash }) => !known.has(hash));
  if (!missing) return;
  throw badRequest([
    { code: 'unknown-photo', message: 'This photo is not in the station; send it first.', field: missing.field },
  ]);
}
