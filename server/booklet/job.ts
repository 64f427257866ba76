import { type Guide, photosOf } from '@plesion/core/guide';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { findGuide } from '../guides/service';
import type { JobKinds } from '../jobs/kinds';
import type { KeyPool } from '../keys/pool';
import type { PagePool } from '../page/pool';
import { knownPhotos, smallPhoto } from '../photos/service';

/** Where a booklet lies among the files of a station. */
export const bookletKey = (stationId: string, job: string) => `${stationId}/booklets/${job}.pdf`;

/** Share of the work that the key takes. */
const KEY = 0.5;
/** Couplets with two statements more, and whatever one has at a bench. */
const ASKED = { purpose: 'bench', confirm: 2 } as const;

/** Photographs printed at most. */
const MOST = 600;

/** The photographs of a guide, small; one that is not in the station is left out. */
async function smallPhotos(em: Em, files: FileStore, stationId: string, guide: Guide, signal: AbortSignal) {
  const wanted = photosOf(guide).slice(0, MOST);
  const photos = new Map<string, Buffer>();
  for (const hash of await knownPhotos(em, stationId, wanted)) {
    signal.throwIfAborted();
    photos.set(hash, await smallPhoto(em, files, stationId, hash));
  }
  return photos;
}

/** A guide printed as a booklet; a guide that no key can be made of is printed without one. */
export const printGuideKind = (files: FileStore, keying: KeyPool, paging: PagePool): JobKinds['printGuide'] => ({
  async work(em, { stationId }, { guideId }, { id, signal, onProgress }) {
    const { guide, version } = await findGuide(em, stationId, guideId);
    const made = await keying.run({ guide, asked: ASKED }, signal, (share) => onProgress(share * KEY));
    onProgress(KEY);
    const photos = await smallPhotos(em, files, stationId, guide, signal);
    const pdf = await paging.draw({ page: 'guide', guide, version, photos, ...(made.ok ? { key: made.value.key } : {}) });
    signal.throwIfAborted();
    await files.put(bookletKey(stationId, id), pdf);
    return async () => ({ booklet: id, bytes: pdf.length });
  },
  ended: async ({ stationId, id }, done) => {
    if (!done) await files.remove(bookletKey(stationId, id));
  },
});
