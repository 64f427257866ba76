import type { CorrectionProposed, CorrectionWrite } from '@plesion/contract/own';
import { stableJson } from '@plesion/core';
import { correctionOf } from '@plesion/core/own';
import type { AnalysisPool } from '../analysis/pool';
import { beginDraft, editDraft } from '../authoring/drafts';
import { DraftEntity } from '../database/draftEntities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest } from '../http/errors';
import type { Caller } from '../http/route';
import { ownRecords } from './service';

/**
 * Write what our records and the books come to on one mark into the next version of the guide: the one that this person
 * is writing already, where there is one.
 */
export async function proposeCorrection(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  id: string,
  { weight, ...mark }: CorrectionWrite,
): Promise<CorrectionProposed> {
  const { version } = await findGuide(em, caller.stationId, id);
  const { cells } = await ownRecords(em, pool, caller, id, weight);
  const cell = cells.find(({ taxon, facets, character }) => stableJson({ taxon, facets, character }) === stableJson(mark));
  if (!cell) throw badRequest([NOTHING_SAID]);
  const draft = (await openDraft(em, caller, id, version)) ?? crypto.randomUUID();
  const { version: after, content } = await beginDraft(em, caller, draft, { title: '', guideId: id, as: 'next' });
  const { source, policy, scores } = correctionOf(content, cell);
  await editDraft(em, caller, draft, {
    batch: crypto.randomUUID(),
    after,
    edits: [
      { do: 'source', source },
      { do: 'part', set: { policy }, drop: [] },
      { do: 'scores', put: scores, drop: [] },
    ],
  });
  return { draft };
}

const NOTHING_SAID = {
  code: 'no-records',
  field: 'character',
  message: 'Fewer than five verified specimens say anything of this mark: look at our own records again.',
};

/** The next version of the guide as it is now that this person wrote at last. */
async function openDraft(em: Em, caller: Caller, guideId: string, baseVersion: number): Promise<string | undefined> {
  const { stationId, accountName: madeBy } = caller;
  const found = await em.findOne(
    DraftEntity,
    { stationId, guideId, baseVersion, madeBy, hidden: false },
    { orderBy: { updatedAt: 'desc' }, fields: ['id'] },
  );
  return found?.id;
}
