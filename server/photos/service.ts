import { createHash } from 'node:crypto';
import { isHeic, NOT_HEIC } from '@plesion/contract';
import sharp from 'sharp';
import { PhotoEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { type Counted, needRoom } from '../station/quota';
import { FairQueue } from '../threads/fairQueue';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import { formatOf } from './formats';

/** Longest side kept, and the side of a thumbnail, in pixels. */
const LONGEST = 2400;
const THUMB = 240;
/** Longest side of a photo that is carried along. */
const SMALL = 640;

export const TOO_LARGE = 'The photo is larger than 40 MB; send a smaller one.';
export const tooLarge = () => new HttpProblem(413, { code: 'too-large', message: TOO_LARGE, field: 'photo' });

/** Pixels of a photo, and seconds that drawing it may take. */
const MOST_PIXELS = 100_000_000;
const LONGEST_SECONDS = 20;

/** A file that is cut short or broken is none; only what was told by its content is read at all. */
const READING = { limitInputPixels: MOST_PIXELS, failOn: 'error' } as const;

/** Photos drawn at once: the other threads that work for the server stay free for signing in. */
const queue = new FairQueue(2, 50);

const tooManyPixels = () =>
  badRequest([
    {
      code: 'too-many-pixels',
      message: `This photo has more than ${MOST_PIXELS / 1e6} million pixels; send a smaller one.`,
      field: 'photo',
    },
  ]);

const unreadable = (message = 'This file is not a photo that can be read. Send a JPEG, PNG or WebP.') =>
  badRequest([{ code: 'photo-unreadable', message, field: 'photo' }]);

/** The forms in which a photo is kept; the file as it was sent is absent for those kept before originals were. */
export const SIZES = ['original', 'whole', 'thumb'] as const;
export type Size = (typeof SIZES)[number];

export const keyOf = (stationId: string, hash: string, size: Size) => `${stationId}/photos/${hash.slice(0, 2)}/${hash}.${size}`;

/**
 * Keep a photo, once for its content. What is shown and sent on is turned upright and
 * made anew, so that the place it was taken at does not stay hidden in it; the file as
 * it was sent is kept for measuring, and goes to nobody outside the station.
 */
export async function addPhoto(em: Em, files: FileStore, counted: Counted, file: Buffer | undefined) {
  const { stationId } = counted;
  if (!file?.length) throw badRequest([{ code: 'photo-missing', message: 'Choose a photo to send.', field: 'photo' }]);
  if (!formatOf(file)) throw unreadable(isHeic(file) ? NOT_HEIC : undefined);
  const hash = createHash('sha256').update(file).digest('hex');
  const known = await em.findOne(PhotoEntity, { stationId, hash }, { fields: ['hash', 'width', 'height'] });
  if (known) return { hash, width: known.width, height: known.height };
  return queue.run(stationId, async () => {
    const { whole, thumb } = await drawn(file);
    const { width, height } = whole.info;
    const kept: Record<Size, Buffer> = { original: file, whole: whole.data, thumb };
    const bytes = SIZES.reduce((sum, size) => sum + kept[size].length, 0);
    await needRoom(em, counted, 'photos', bytes);
    // The row comes last: what it names is there. A file without a row, where the server dies between, is written over the next time.
    await Promise.all(SIZES.map((size) => files.put(keyOf(stationId, hash, size), kept[size])));
    await em.upsert(PhotoEntity, { stationId, hash, width, height, bytes, createdAt: new Date() });
    return { hash, width, height };
  });
}

/** Whole and thumbnail, one after the other: one thread at a time is taken for a photo. */
async function drawn(file: Buffer) {
  try {
    // Only its head is read here, which costs nothing however large it says it is.
    const { width = 0, height = 0 } = await sharp(file, { limitInputPixels: false }).metadata();
    if (width * height > MOST_PIXELS) throw tooManyPixels();
    const upright = sharp(file, READING).timeout({ seconds: LONGEST_SECONDS }).rotate();
    const whole = await upright
      .clone()
      .resize(LONGEST, LONGEST, { fit: 'inside', withoutEnlargement: true })
      .jpeg({ quality: 86 })
      .toBuffer({ resolveWithObject: true });
    const thumb = await upright.clone().resize(THUMB, THUMB, { fit: 'cover' }).jpeg({ quality: 80 }).toBuffer();
    return { whole, thumb };
  } catch (error) {
    throw error instanceof HttpProblem ? error : unreadable();
  }
}

/** Which of some photos are in the station. */
export async function knownPhotos(em: Em, stationId: string, hashes: readonly string[]): Promise<ReadonlySet<string>> {
  const rows = await em.find(PhotoEntity, { stationId, hash: { $in: [...hashes] } }, { fields: ['hash'] });
  return new Set(rows.map(({ hash }) => hash));
}

/** Is a photo in the station already? Then its file need not be sent. */
export const isPhotoKnown = async (em: Em, stationId: string, hash: string): Promise<boolean> =>
  (await em.count(PhotoEntity, { stationId, hash })) > 0;

/** How large a photo is as it is shown, in pixels. */
export async function photoSize(em: Em, stationId: string, hash: string): Promise<{ width: number; height: number }> {
  const row = await em.findOne(PhotoEntity, { stationId, hash }, { fields: ['width', 'height'] });
  if (!row) throw notFound('photo');
  return { width: row.width, height: row.height };
}

export async function findPhoto(em: Em, files: FileStore, stationId: string, hash: string, size: Size): Promise<Buffer> {
  const file = await files.get(keyOf(stationId, hash, size));
  if (file) return file;
  // From before photos were files, and not moved yet.
  const row = await em.findOne(PhotoEntity, { stationId, hash }, { fields: SIZES });
  if (row?.[size]) return Buffer.from(row[size]);
  if (size === 'original') return findPhoto(em, files, stationId, hash, 'whole');
  throw notFound('photo');
}

/** A photo as it is carried along: whole, but small. Made when it is asked for; who asked keeps it. */
export async function smallPhoto(em: Em, files: FileStore, stationId: string, hash: string): Promise<Buffer> {
  const whole = await findPhoto(em, files, stationId, hash, 'whole');
  return queue.run(stationId, () =>
    sharp(whole, READING).resize(SMALL, SMALL, { fit: 'inside', withoutEnlargement: true }).jpeg({ quality: 80 }).toBuffer(),
  );
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
  const known = await knownPhotos(
    em,
    stationId,
    wanted.map(({ hash }) => hash),
  );
  const missing = wanted.find(({ hash }) => !known.has(hash));
  if (!missing) return;
  throw badRequest([
    { code: 'unknown-photo', message: 'This photo is not in the station; send it first.', field: missing.field },
  ]);
}
