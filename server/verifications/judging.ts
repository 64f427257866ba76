import type { Call, Called, Judged } from '@plesion/core/verification';
import type { Judgement } from '@plesion/core/guide';
import type { Reading } from '@plesion/core/observation';
import type { Determination } from '@plesion/core/specimen';
import type { AnalysisPool } from '../analysis/pool';
import { bound } from '../database/bound';
import type { Em } from '../database/orm';
import { guideIfThere } from '../guides/service';
import { COUNTS, surest } from './surest';

/** Judged at once, at most: a page asks again for the rest. */
const AT_ONCE = 500;

interface Waiting {
  specimen_id: string;
  verification_id: string;
  specimen_version: number;
  guide_id: string | null;
  truth: Called;
  /** Nothing, where there is no name that could be judged. */
  call: (Determination & { guideVersion: number }) | null;
  after: Reading[];
}

/** Specimens of which it is known what they are, and whose newest name before that has not been held against it. */
const waitingSql = (one: string) => `
  with waiting as (
    select distinct v.specimen_id as id from specimen_word v
    where v.station_id = ? and ${COUNTS} ${one}
      and not exists (select 1 from judged_call j where j.station_id = v.station_id and j.specimen_id = v.specimen_id)
    limit ${AT_ONCE}
  )
  select s.id as specimen_id, sure.id as verification_id, s.version as specimen_version, s.guide_id,
    jsonb_build_object('taxon', sure.taxon, 'facets', sure.facets) as truth, newest.call, s.readings as after
  from waiting
  join specimen s on s.station_id = ? and s.id = waiting.id
  join lateral ${surest('v.*')} as sure on true
  left join lateral (
    select name as call from jsonb_array_elements(s.determinations) with ordinality as names (name, place)
    where (name->>'at')::timestamptz <= sure.at and not s.hidden and s.guide_id is not null
      and name->>'taxon' is not null and name->>'guideVersion' is not null
    order by place desc limit 1
  ) as newest on true`;

/** Kept only where nothing was written meanwhile. */
const KEPT = `
  insert into judged_call (station_id, specimen_id, verification_id, specimen_version, guide_id, called, truth, is_right, by, season, p, judged)
  select s.station_id, s.id, one.verification_id, one.specimen_version, s.guide_id, one.called, one.truth, one.is_right, one.by, one.season, one.p, one.judged
  from jsonb_to_recordset(?::jsonb) as one (specimen_id uuid, verification_id uuid, specimen_version int, called text, truth text,
    is_right boolean, by text, season int, p real, judged jsonb)
  join specimen s on s.station_id = ?::uuid and s.id = one.specimen_id and s.version = one.specimen_version
  where one.verification_id = ${surest('v.id')}
  on conflict (station_id, specimen_id) do nothing`;

/** What was worked out of a specimen's call holds no longer: the specimen, or a word on it, was written. */
export const forgetJudged = (tx: Em, stationId: string, specimenId: string): Promise<unknown> =>
  tx
    .getConnection()
    .execute(
      'delete from judged_call where station_id = ? and specimen_id = ?',
      [stationId, specimenId],
      'run',
      tx.getTransactionContext(),
    );

/** What a specimen's call rested on, where it is known what it was. */
export async function judgedOf(em: Em, pool: AnalysisPool, stationId: string, specimenId: string): Promise<Judged | undefined> {
  await judgeWaiting(em, pool, stationId, specimenId);
  const [row] = await em
    .getConnection()
    .execute<{ judged: Judged | null }[]>('select judged from judged_call where station_id = ? and specimen_id = ?', [
      stationId,
      specimenId,
    ]);
  return row?.judged ?? undefined;
}

/** Hold against what it turned out to be each call that is known and has not been: by guide and version, as it was then. */
export async function judgeWaiting(em: Em, pool: AnalysisPool, stationId: string, specimenId?: string): Promise<void> {
  const [sql, values] = specimenId
    ? [waitingSql('and v.specimen_id = ?'), [stationId, specimenId, stationId]]
    : [waitingSql(''), [stationId, stationId]];
  const waiting = await em.getConnection().execute<Waiting[]>(sql, values);
  if (waiting.length === 0) return;
  const books = new Map<string, Waiting[]>();
  for (const one of waiting) {
    const book = one.call ? `${one.guide_id} ${one.call.guideVersion}` : '';
    books.set(book, [...(books.get(book) ?? []), one]);
  }
  for (const some of books.values()) {
    const [{ guide_id, call }] = some;
    // None where the name was given by another guide that has no such version.
    const book = guide_id && call ? await guideIfThere(em, stationId, guide_id, call.guideVersion) : undefined;
    const judged = book
      ? await pool.ask(stationId, 'judge', { calls: some.flatMap((one) => (one.call ? [asked(one, one.call)] : [])) }, book)
      : [];
    await em.transactional((tx) => bound(tx, KEPT, [JSON.stringify(some.map((one, i) => kept(one, judged[i]))), stationId]));
  }
}

/** A call on what it was given on; where that was not kept, nothing had been read. */
function asked(
  { truth, after }: Waiting,
  call: NonNullable<Waiting['call']>,
): Call & { judgement?: Judgement; truth: Called; after: readonly Reading[] } {
  const { id: determination, taxon, other, facets, by, at, p, pinned } = call;
  return {
    ...{ determination, by, at, p, truth, after },
    called: { taxon: taxon!, ...(other ? { other } : {}), facets },
    situation: pinned?.situation ?? {},
    readings: pinned?.readings ?? [],
    ...(pinned?.judgement ? { judgement: pinned.judgement } : {}),
  };
}

/** One that cannot be judged is kept too, so that it is not looked at again. */
const kept = ({ specimen_id, verification_id, specimen_version, truth }: Waiting, judged: Judged | undefined) => ({
  ...{ specimen_id, verification_id, specimen_version },
  ...(judged
    ? {
        ...{ called: judged.called.taxon, truth: truth.taxon, is_right: judged.right, by: judged.by, p: judged.p },
        ...{ season: new Date(judged.at).getUTCFullYear(), judged },
      }
    : {}),
});
