import { LockMode } from '@mikro-orm/core';
import type { DraftReview, DraftReviews, ReviewWrite } from '@plesion/contract/authoring';
import { DraftEntity, DraftReviewEntity } from '../database/draftEntities';
import type { Em } from '../database/orm';
import { HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { moved } from './moved';

/** Who changed a draft since it was last published. */
async function writersOf(em: Em, stationId: string, draftId: string): Promise<string[]> {
  const rows = await em.getConnection().execute<{ by: string }[]>(
    `select distinct e.made_by as by from draft_edit e join draft d on d.station_id = e.station_id and d.id = e.draft_id
     where e.station_id = ? and e.draft_id = ?::uuid and e.at > coalesce(
       (select max(v.created_at) from guide_version v where v.station_id = d.station_id and v.guide_id = d.guide_id), '-infinity')
     order by 1`,
    [stationId, draftId],
    'all',
    em.getTransactionContext(),
  );
  return rows.map(({ by }) => by);
}

/** What was said of a draft, the last first. */
export async function listReviews(em: Em, stationId: string, draftId: string): Promise<DraftReviews> {
  if (!(await em.count(DraftEntity, { stationId, id: draftId }))) throw notFound('draft');
  const [rows, writers] = await Promise.all([
    em.find(DraftReviewEntity, { stationId, draftId }, { orderBy: { n: 'desc' }, limit: 50 }),
    writersOf(em, stationId, draftId),
  ]);
  const reviews = rows.map(({ n, draftVersion: version, madeBy: by, at, fit, words }): DraftReview => ({
    ...{ n, version, by, at: at.toISOString(), fit, words },
  }));
  return { reviews, writers };
}

/** Say of a draft, as it was looked at, whether it is fit; whoever wrote in it leaves that to somebody else. */
export async function reviewDraft(
  em: Em,
  { stationId, accountName }: Caller,
  draftId: string,
  { version, fit, words }: ReviewWrite,
): Promise<DraftReviews> {
  await em.transactional(async (tx) => {
    const head = await tx.findOne(
      DraftEntity,
      { stationId, id: draftId },
      { fields: ['version'], lockMode: LockMode.PESSIMISTIC_WRITE, disableIdentityMap: true },
    );
    if (!head) throw notFound('draft');
    if (head.version !== version) throw moved('draft', 'version');
    const writers = await writersOf(tx, stationId, draftId);
    if (writers.includes(accountName)) throw ownWork();
    const n = 1 + (await tx.count(DraftReviewEntity, { stationId, draftId }));
    await tx.insert(DraftReviewEntity, {
      ...{ stationId, draftId, n, draftVersion: version, madeBy: accountName, at: new Date(), fit, words },
    });
  });
  return listReviews(em, stationId, draftId);
}

const ownWork = () =>
  new HttpProblem(403, {
    code: 'own-work',
    message: 'You wrote in this draft: it is for somebody else in the station to say whether it is fit.',
    field: 'fit',
  });

/** The last word on a draft, where it is that it is fit, and of the draft as it is now. */
export async function fitAt(
  em: Em,
  stationId: string,
  draftId: string,
  version: number,
): Promise<{ by: string; at: string; words: string } | undefined> {
  const last = await em.findOne(DraftReviewEntity, { stationId, draftId }, { orderBy: { n: 'desc' } });
  if (!last?.fit || last.draftVersion !== version) return undefined;
  return { by: last.madeBy, at: last.at.toISOString(), words: last.words };
}
