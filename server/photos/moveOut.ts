import { PhotoEntity } from '../database/entities';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { keyOf, SIZES } from './service';

/** Photos read at once. */
const SOME = 20;

/**
 * Bring photos that an earlier Plesion kept in rows to the files. It may be broken off
 * and begun again, and several processes may be at it: a row is emptied when its files stand.
 *
 * @returns how many were moved.
 */
export async function moveOut(em: Em, files: FileStore): Promise<number> {
  let moved = 0;
  for (;;) {
    const rows = await em.find(PhotoEntity, { whole: { $ne: null } }, { limit: SOME, disableIdentityMap: true });
    if (rows.length === 0) return moved;
    for (const { stationId, hash, ...row } of rows) {
      let bytes = 0;
      for (const size of SIZES) {
        const file = row[size];
        if (file) await files.put(keyOf(stationId, hash, size), Buffer.from(file));
        bytes += file?.length ?? 0;
      }
      await em.nativeUpdate(PhotoEntity, { stationId, hash }, { bytes, original: null, whole: null, thumb: null });
      moved++;
    }
  }
}
