import type { AnalysisPool } from '../analysis/pool';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { JobKinds } from '../jobs/kinds';
import { checkInThread } from './check';
import { contentHash } from '../records/contentHash';
import type { KeyPool } from './pool';
import { addKey } from './service';

/** Make a key in a thread and store it in the station. Nothing is stored when it fails or is cancelled. */
export const makeKeyKind = (pool: KeyPool, analysis: AnalysisPool): JobKinds['makeKey'] => ({
  async work(em, writer, { guideId, asked }, { signal, onProgress }) {
    const check = checkInThread(analysis, writer.stationId);
    const { guide, hash } = await findGuide(em, writer.stationId, guideId);
    const outcome = await pool.run({ guide, asked }, signal, (share) => onProgress(share * 0.97));
    if (!outcome.ok) throw badRequest(outcome.problems);
    const { key, ...paths } = outcome.value;
    // Found here, so that nothing is waited for while the rows are held.
    await check(key, contentHash(key), { guide, hash });
    return async (tx) => {
      const stored = await addKey(tx, check, writer, key, guideId, paths);
      return { ...stored, keyId: stored.id, ...paths };
    };
  },
});
