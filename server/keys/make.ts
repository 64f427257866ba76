import type { KeyMake } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import type { AnalysisPool } from '../analysis/pool';
import { guideOfDraft } from '../authoring/drafts';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { JobKinds, JobTools } from '../jobs/kinds';
import { contentHash } from '../records/contentHash';
import type { Writer } from '../records/write';
import { checkInThread } from './check';
import type { KeyPool } from './pool';
import { addKey } from './service';

/** Whose leads are made into a key, and the guide of the station that the key is tied to, where there is one. */
interface From {
  guide: Guide;
  hash: string;
  tiedTo?: string;
}

/** Make a key in a thread and store it in the station. Nothing is stored when it fails or is cancelled. */
const making =
  (pool: KeyPool, analysis: AnalysisPool) =>
  async (writer: Writer, { guide, hash, tiedTo }: From, asked: KeyMake, { signal, onProgress }: JobTools) => {
    const check = checkInThread(analysis, writer.stationId);
    const outcome = await pool.run({ guide, asked }, signal, (share) => onProgress(share * 0.97));
    if (!outcome.ok) throw badRequest(outcome.problems);
    const { key, ...paths } = outcome.value;
    // Found here, so that nothing is waited for while the rows are held.
    await check(key, contentHash(key), tiedTo === undefined ? undefined : { guide, hash });
    return async (tx: Em) => {
      const stored = await addKey(tx, check, writer, key, tiedTo, paths);
      return { ...stored, keyId: stored.id, ...paths };
    };
  };

/** Of a guide of the station; the key is tied to it. */
export const makeKeyKind = (pool: KeyPool, analysis: AnalysisPool): JobKinds['makeKey'] => ({
  async work(em, writer, { guideId, asked }, tools) {
    const { guide, hash } = await findGuide(em, writer.stationId, guideId);
    return making(pool, analysis)(writer, { guide, hash, tiedTo: guideId }, asked, tools);
  },
});

/** Of a draft, as far as it is a guide already; the key stands by itself, for what it asks may be in no guide yet. */
export const makeDraftKeyKind = (pool: KeyPool, analysis: AnalysisPool): JobKinds['makeDraftKey'] => ({
  async work(em, writer, { draftId, asked }, tools) {
    const guide = await guideOfDraft(em, writer.stationId, draftId);
    return making(pool, analysis)(writer, { guide, hash: contentHash(guide) }, asked, tools);
  },
});
