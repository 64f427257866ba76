import type { Ask, GivenOpinion } from '@plesion/contract/opinions';
import type { Guide } from '@plesion/core/guide';
import { type Pooled, type Rightness, sharedErrors } from '@plesion/core/opinions';
import { turnedOut } from '@plesion/core/verification';
import type { AnalysisPool } from '../analysis/pool';
import { SpecimenEntity } from '../database/entities';
import { type AskColumns, type OpinionColumns, OpinionEntity } from '../database/opinionEntities';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import type { Caller } from '../http/route';
import { surest } from '../verifications/surest';

export const givenOf = ({ id, givenBy: by, outside, at, opinion }: OpinionColumns): GivenOpinion => ({
  ...{ id, by, outside, opinion },
  at: at.toISOString(),
});

/** Askings as somebody may see them: what others said only to who asked, and who has said theirs. */
export async function toldTo(em: Em, pool: AnalysisPool, { stationId, accountName }: Caller, asks: AskColumns[]): Promise<Ask[]> {
  if (asks.length === 0) return [];
  const opinions = await em.find(
    OpinionEntity,
    { stationId, askId: { $in: asks.map(({ id }) => id) } },
    { orderBy: { at: 'asc', id: 'asc' } },
  );
  const contexts = new Map<string, ReturnType<typeof weighedWith>>();
  const contextOf = (specimenId: string) => {
    const known = contexts.get(specimenId) ?? weighedWith(em, stationId, specimenId);
    contexts.set(specimenId, known);
    return known;
  };
  const told: Ask[] = [];
  for (const ask of asks) {
    const own = opinions.filter(({ askId }) => askId === ask.id);
    const open = ask.askedBy === accountName || own.some(({ givenBy, outside }) => givenBy === accountName && !outside);
    told.push({
      ...shownToAll(ask, own),
      ...(open ? { opinions: own.map(givenOf), ...(await pooledOf(pool, ask, own, () => contextOf(ask.specimenId))) } : {}),
    });
  }
  return told;
}

function shownToAll(ask: AskColumns, own: readonly OpinionColumns[]): Ask {
  const { id, specimenId, askedBy, askedOf, question, at, decidedBy, decidedAt, decidedWhy, withdrawn, linkUntil } = ask;
  return {
    ...{ id, specimenId, by: askedBy, to: askedOf, at: at.toISOString(), withdrawn },
    answered: own.map(({ givenBy }) => givenBy),
    ...(question ? { question } : {}),
    ...(decidedBy && decidedAt ? { decided: { by: decidedBy, at: decidedAt.toISOString(), why: decidedWhy ?? '' } } : {}),
    ...(linkUntil && linkUntil > new Date() ? { link: linkUntil.toISOString() } : {}),
  };
}

/** What opinions on a specimen are weighed with. */
async function weighedWith(em: Em, stationId: string, specimenId: string) {
  const specimen = await em.findOneOrFail(SpecimenEntity, { stationId, id: specimenId });
  if (!specimen.guideId) return undefined;
  const { guide, hash } = await findGuide(em, stationId, specimen.guideId);
  return { specimen, guide, hash, ...sharedErrors(await rightness(em, stationId, specimen.guideId, guide)) };
}

/** What was read by several people, weighed as far as they are independent; nothing of one alone. */
async function pooledOf(
  pool: AnalysisPool,
  { stationId }: AskColumns,
  own: readonly OpinionColumns[],
  context: () => ReturnType<typeof weighedWith>,
): Promise<{ pooled?: Pooled }> {
  const read = own.filter(({ opinion }) => opinion.readings.length > 0);
  const known = read.length < 2 ? undefined : await context();
  if (!known) return {};
  const { specimen, guide, hash, correlation, pairs } = known;
  const found = await pool.ask(
    stationId,
    'pooled',
    {
      situation: specimen.situation,
      judgement: specimen.judgement ?? undefined,
      readings: read.flatMap(({ opinion }) => opinion.readings.map((reading) => ({ ...reading, id: undefined }))),
      correlation,
    },
    { guide, hash },
  );
  const opinions = read.length;
  return { pooled: { opinions, correlation, pairs, count: opinions / (1 + (opinions - 1) * correlation), ...found } };
}

/** Of each asking on a guide's specimens of which it is known what they are: was each opinion that named something right? */
async function rightness(em: Em, stationId: string, guideId: string, guide: Guide): Promise<Rightness[]> {
  const rows = await em
    .getConnection()
    .execute<{ truth: Parameters<typeof turnedOut>[2]; names: Parameters<typeof turnedOut>[1][] }[]>(
      `select jsonb_build_object('taxon', sure.taxon, 'facets', sure.facets) as truth, jsonb_agg(o.opinion->'name') as names
     from opinion o
     join opinion_ask a on a.station_id = o.station_id and a.id = o.ask_id
     join specimen s on s.station_id = a.station_id and s.id = a.specimen_id and s.guide_id = ?
     join lateral ${surest('v.*')} as sure on true
     where o.station_id = ? and o.opinion->'name'->>'taxon' is not null
     group by a.id, sure.taxon, sure.facets`,
      [guideId, stationId],
    );
  return rows.map(({ truth, names }) => names.flatMap((name) => turnedOut(guide, name, truth) ?? []));
}
