import type { MatrixTaken } from '@plesion/contract/authoring';
import { DraftEditEntity, DraftEntity } from '../database/draftEntities';
import type { Em } from '../database/orm';
import { badRequest } from '../http/errors';
import type { JobKinds } from '../jobs/kinds';
import { type JobPool, openJobPool } from '../jobs/pool';
import type { Outcome } from '@plesion/core';
import { moved } from './moved';
import { headIn, keepBatch, keepContent, textIn } from './working';

/** A draft as it lies in the database, and what is to be imported: as text, which goes to another thread at no cost. */
export interface MatrixTask {
  content: string;
  /** Batches that are not in the content yet, in their order. */
  since: string[];
  source: string;
  text: string;
}

/** The draft with the matrix in it, as it is to lie in the database. */
export interface MatrixDone {
  content: string;
  told: Omit<MatrixTaken, 'version'>;
}

export type MatrixPool = JobPool<MatrixTask, Outcome<MatrixDone>>;

export const openMatrixPool = (workerFile: string): MatrixPool => openJobPool(workerFile);

/** Sent twice, it is imported once. */
const ALREADY: Omit<MatrixTaken, 'version'> = { taxa: 0, characters: 0, problems: [], left: 0 };

/** Take a matrix in, however large; nothing is kept when it fails, is stopped, or somebody changed the draft meanwhile. */
export const takeMatrixKind = (pool: MatrixPool): JobKinds['takeMatrix'] => ({
  async work(em, writer, { draftId: id, batch, source, text }, { signal, onProgress }) {
    const { stationId } = writer;
    const task = await lying(em, stationId, id);
    const outcome = await pool.run({ ...task, source, text }, signal, (share) => onProgress(share * 0.9));
    if (!outcome.ok) throw badRequest(outcome.problems);
    const { content, told } = outcome.value;
    return async (tx: Em): Promise<MatrixTaken> => {
      const head = await headIn(tx, stationId, id, true);
      if (await tx.count(DraftEditEntity, { stationId, draftId: id, batch })) return { version: head.version, ...ALREADY };
      if (head.version !== task.version) throw moved('draft', 'text', ', and take the matrix in again');
      const [version, updatedAt] = [head.version + 1, new Date()];
      await keepBatch(tx, writer, { id, version, updatedAt }, batch, [{ do: 'matrix', source, text }]);
      await keepContent(tx, head, content);
      await tx.nativeUpdate(DraftEntity, { stationId, id }, { version, updatedAt, hidden: false });
      return { version, ...told };
    };
  },
});

/** A draft as it lies in the database: not read here, for it may be large. */
async function lying(em: Em, stationId: string, id: string): Promise<{ content: string; since: string[]; version: number }> {
  const { content, version, behind } = await textIn(em, await headIn(em, stationId, id));
  const batches = await em
    .getConnection()
    .execute<{ edits: string }[]>(
      'select edits::text as edits from draft_edit where station_id = ? and draft_id = ? and n > ? and n <= ? order by n',
      [...[stationId, id, version - behind, version]],
    );
  return { content, since: batches.map(({ edits }) => edits), version };
}
