import { type Guide, photosOf } from '@plesion/core/guide';
import { PhotoEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { keyOf, knownPhotos } from '../photos/service';
import { type Counted, needRoom } from '../station/quota';

/** What crosses to another station: not the file as it was sent, in which the place may lie hidden. */
const CROSSES = ['whole', 'thumb'] as const;

/** Bring the photos of a guide from one station to another. One that is no longer there stays away: its page says so. */
export async function carryPhotos(em: Em, files: FileStore, from: string, to: Counted, guide: Guide): Promise<void> {
  const wanted = photosOf(guide);
  if (wanted.length === 0) return;
  const known = await knownPhotos(em, to.stationId, wanted);
  const missing = wanted.filter((hash) => !known.has(hash));
  const rows = await em.find(
    PhotoEntity,
    { stationId: from, hash: { $in: missing } },
    { fields: ['hash', 'width', 'height', 'bytes'], disableIdentityMap: true },
  );
  await needRoom(
    em,
    to,
    'photos',
    rows.reduce((sum, { bytes }) => sum + bytes, 0),
  );
  for (const { hash, width, height } of rows) {
    const kept = await Promise.all(CROSSES.map((size) => files.get(keyOf(from, hash, size))));
    if (kept.some((file) => file === undefined)) continue;
    await Promise.all(CROSSES.map((size, i) => files.put(keyOf(to.stationId, hash, size), kept[i]!)));
    const bytes = kept.reduce((sum, file) => sum + file!.length, 0);
    // The row comes last: what it names is there.
    await em.upsert(PhotoEntity, { ...{ stationId: to.stationId, hash, width, height, bytes }, createdAt: new Date() });
  }
}
