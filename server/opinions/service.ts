import { type Ask, type AskWrite, type OpinionWrite, type WaitingAsk } from '@plesion/contract/opinions';
import type { Guide } from '@plesion/core/guide';
import { checkReadings } from '@plesion/core/observation';
import type { Opinion } from '@plesion/core/opinions';
import { keepDeed } from '../audit/deeds';
import type { AnalysisPool } from '../analysis/pool';
import { SpecimenEntity } from '../database/entities';
import { AccountEntity } from '../database/personEntities';
import { type AskColumns, OpinionAskEntity, type OpinionColumns, OpinionEntity } from '../database/opinionEntities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { badRequest, HttpProblem, notFound } from '../http/errors';
import type { Caller } from '../http/route';
import { checkNames } from '../specimens/names';
import { noGuide } from './blind';
import { toldTo } from './told';

/** Opinions on one asking at most: a link may go from hand to hand. */
const MOST = 200;

async function askNamed(em: Em, stationId: string, id: string): Promise<AskColumns> {
  const ask = await em.findOne(OpinionAskEntity, { stationId, id });
  if (!ask) throw notFound('asking');
  return ask;
}

const tellOne = async (em: Em, pool: AnalysisPool, caller: Caller, id: string): Promise<Ask> => {
  const [told] = await toldTo(em, pool, caller, [await askNamed(em, caller.stationId, id)]);
  return told;
};

/** Who was asked of a specimen, the newest asking first. */
export async function listAsks(em: Em, pool: AnalysisPool, caller: Caller, specimenId: string): Promise<Ask[]> {
  const { stationId } = caller;
  if (!(await em.count(SpecimenEntity, { stationId, id: specimenId }))) throw notFound('specimen');
  return toldTo(
    em,
    pool,
    caller,
    await em.find(OpinionAskEntity, { stationId, specimenId }, { orderBy: { at: 'desc', id: 'asc' } }),
  );
}

/** Ask others; sent twice, it is one. */
export async function askOpinion(em: Em, pool: AnalysisPool, caller: Caller, sent: AskWrite): Promise<Ask> {
  const { stationId, accountName } = caller;
  const { id, specimenId, to, question } = sent;
  const specimen = await em.findOne(SpecimenEntity, { stationId, id: specimenId }, { fields: ['guideId'] });
  if (!specimen) throw notFound('specimen');
  if (!specimen.guideId) throw noGuide();
  const known = new Set((await em.find(AccountEntity, { stationId }, { fields: ['name'] })).map(({ name }) => name));
  const stranger = to.findIndex((name) => !known.has(name) || name === accountName);
  if (stranger >= 0) {
    const message =
      to[stranger] === accountName ? 'You know your own opinion; ask somebody else.' : `Nobody here is called “${to[stranger]}”.`;
    throw badRequest([{ code: 'unknown-person', message, field: `to[${stranger}]` }]);
  }
  const row: AskColumns = {
    ...{
      stationId,
      id,
      specimenId,
      askedBy: accountName,
      askedOf: to,
      question: question || null,
      at: new Date(),
      device: caller.device ?? '',
    },
    ...{
      decidedBy: null,
      decidedAt: null,
      decidedWhy: null,
      withdrawn: false,
      withdrawnAt: null,
      linkHash: null,
      linkUntil: null,
    },
  };
  await em.createQueryBuilder(OpinionAskEntity).insert(row).onConflict().ignore().execute('run', false);
  return tellOne(em, pool, caller, id);
}

/** What waits for somebody's opinion: asked of them by name, or of all. */
export async function listWaiting(em: Em, { stationId, accountName }: Caller): Promise<WaitingAsk[]> {
  const rows = await em
    .getConnection()
    .execute<(Omit<WaitingAsk, 'at'> & { at: string; question: string | null; photo: string | null })[]>(
      `select a.id, a.asked_by as by, a.at, a.question, s.guide_id as "guideId", g.title as guide, s.photo
     from opinion_ask a
     join specimen s on s.station_id = a.station_id and s.id = a.specimen_id and not s.hidden
     join guide g on g.station_id = s.station_id and g.id = s.guide_id
     where a.station_id = ? and a.decided_at is null and not a.withdrawn and a.asked_by <> ?
       and (jsonb_array_length(a.asked_of) = 0 or a.asked_of @> to_jsonb(?::text))
       and not exists (select 1 from opinion o where o.station_id = a.station_id and o.ask_id = a.id and o.given_by = ? and not o.outside)
     order by a.at, a.id limit 200`,
      [stationId, accountName, accountName, accountName],
    );
  return rows.map(({ at, question, photo, ...row }) => ({
    ...row,
    at: new Date(at).toISOString(),
    ...(question ? { question } : {}),
    ...(photo ? { photo } : {}),
  }));
}

/** An asking that somebody may answer, with what they said already. */
export async function asked(em: Em, { stationId, accountName }: Caller, id: string) {
  const ask = await askNamed(em, stationId, id);
  if (ask.askedBy === accountName || (ask.askedOf.length > 0 && !ask.askedOf.includes(accountName))) throw notAsked();
  const given = await em.findOne(OpinionEntity, { stationId, askId: id, givenBy: accountName, outside: false });
  return { ask, given: given ?? undefined };
}

const notAsked = () => new HttpProblem(403, { code: 'not-asked', message: 'You were not asked what you make of this.' });

/** Say what one makes of it: the first word is kept. */
export async function giveOpinion(em: Em, pool: AnalysisPool, caller: Caller, askId: string, sent: OpinionWrite): Promise<Ask> {
  const { ask, given } = await asked(em, caller, askId);
  if (!given) await keepOpinion(em, ask, { ...sent, by: caller.accountName, outside: false, device: caller.device });
  return tellOne(em, pool, caller, askId);
}

/** Keep somebody's word, once. */
export async function keepOpinion(
  em: Em,
  ask: AskColumns,
  { id, opinion, by, outside, device = '' }: { id: string; opinion: Opinion; by: string; outside: boolean; device?: string },
): Promise<void> {
  const { stationId, specimenId } = ask;
  if (ask.decidedAt || ask.withdrawn)
    throw new HttpProblem(409, { code: 'decided', message: 'It was decided meanwhile, or is asked no more. Nothing was saved.' });
  const specimen = await em.findOneOrFail(SpecimenEntity, { stationId, id: specimenId });
  if (!specimen.guideId) throw noGuide();
  const { guide } = await findGuide(em, stationId, specimen.guideId);
  checkOpinion(guide, opinion);
  if ((await em.count(OpinionEntity, { stationId, askId: ask.id })) >= MOST)
    throw new HttpProblem(409, {
      code: 'enough',
      message: `${MOST} have said what they make of it: that is enough. Nothing was saved.`,
    });
  const row: OpinionColumns = { stationId, askId: ask.id, givenBy: by, outside, id, opinion, at: new Date(), device };
  await em.createQueryBuilder(OpinionEntity).insert(row).onConflict().ignore().execute('run', false);
}

/** Readings and a name that the guide knows, each refused by its field. */
function checkOpinion(guide: Guide, { readings, name }: Opinion): void {
  const problems = checkReadings(guide, readings).map((one) => ({ ...one, field: `opinion.${one.field}` }));
  if (problems.length) throw badRequest(problems);
  if (name) checkNames(guide, [name], () => 'opinion.name');
}

/** Only who asked decides, takes back, or makes links. */
async function ownAsk(em: Em, { stationId, accountName }: Caller, id: string): Promise<AskColumns> {
  const ask = await askNamed(em, stationId, id);
  if (ask.askedBy !== accountName)
    throw new HttpProblem(403, { code: 'not-yours', message: `Only ${ask.askedBy}, who asked, does that.` });
  return ask;
}

/** Change an asking of one's own. */
export async function changeOwn(em: Em, caller: Caller, id: string, change: Partial<AskColumns>): Promise<void> {
  await ownAsk(em, caller, id);
  await em.nativeUpdate(OpinionAskEntity, { stationId: caller.stationId, id }, change);
}

/** The same, kept among what was done. */
async function act(
  em: Em,
  pool: AnalysisPool,
  caller: Caller,
  id: string,
  done: 'decided' | 'took back',
  change: Partial<AskColumns> & { at: Date },
): Promise<Ask> {
  const { at, ...columns } = change;
  await em.transactional(async (tx) => {
    const { specimenId } = await ownAsk(tx, caller, id);
    // What was taken back is not to be taken back once more; another decision is one.
    const before = { stationId: caller.stationId, id, ...(done === 'took back' ? { withdrawn: false } : {}) };
    if (await tx.nativeUpdate(OpinionAskEntity, before, columns))
      await keepDeed(tx, caller, { act: done, kind: 'opinion', id: specimenId, at });
  });
  return tellOne(em.fork(), pool, caller, id);
}

/** Who asked decides, and says why; the link lapses. */
export function decide(em: Em, pool: AnalysisPool, caller: Caller, id: string, why: string): Promise<Ask> {
  const at = new Date();
  return act(em, pool, caller, id, 'decided', {
    ...{ at, decidedBy: caller.accountName, decidedAt: at, decidedWhy: why, linkHash: null, linkUntil: null },
  });
}

export function withdrawAsk(em: Em, pool: AnalysisPool, caller: Caller, id: string): Promise<Ask> {
  const at = new Date();
  return act(em, pool, caller, id, 'took back', { at, withdrawn: true, withdrawnAt: at, linkHash: null, linkUntil: null });
}
