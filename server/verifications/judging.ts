import type { StoredGuide } from '@plesion/contract';
import type { Call, Called, Judged } from '@plesion/core/verification';
import type { Judgement } from '@plesion/core/guide';
import type { Reading } from '@plesion/core/observation';
import type { Determination } from '@plesion/core/specimen';
import type { AnalysisPool } from '../analysis/pool';
import { bound } from '../database/bound';
import type { Em } from '../database/orm';
import { findGuide } from '../guides/service';
import { HttpProblem } from '../http/errors';
import { SUREST } from './surest';

/** Judged at once, at most: a page asks again for the rest. */
const AT_ONCE = 500;

interface Waiting {
  specimen_id: string;
  verification_id: string;
  specimen_version: number;
  guide_id: string;
  truth: Called;
  call: Determination & { guideVersion: number };
  after: Reading[];
}

/** Specimens whose newest name before it was known what they are has not been held against that, as both stand now. */
const waitingSql = (one: string) => `
  with sure as (${SUREST})
  select s.id as specimen_id, sure.id as verification_id, s.version as specimen_version, s.guide_id,
    jsonb_build_object('taxon', sure.taxon, 'facets', sure.facets) as truth, call, s.readings as after
  from sure
  join specimen s on s.station_id = ? and s.id = sure.specimen_id and s.guide_id is not null
  join lateral (
    select name as call from jsonb_array_elements(s.determinations) with ordinality as names (name, place)
    where (name->>'at')::timestamptz <= sure.at order by place desc limit 1
  ) as newest on call->>'taxon' is not null and call->>'guideVersion' is not null
  left join judged_call j on j.station_id = ? and j.specimen_id = s.id
  where (j.specimen_id is null or j.verification_id <> sure.id or j.specimen_version <> s.version)
    ${one}
  limit ${AT_ONCE}`;

const KEPT = `
  insert into judged_call (station_id, specimen_id, verification_id, specimen_version, guide_id, judged)
  select ?::uuid, specimen_id, verification_id, specimen_version, guide_id, judged
  from jsonb_to_recordset(?::jsonb) as one (specimen_id uuid, verification_id uuid, specimen_version int, guide_id uuid, judged jsonb)
  on conflict (station_id, specimen_id) do update
  set verification_id = excluded.verification_id, specimen_version = excluded.specimen_version, guide_id = excluded.guide_id, judged = excluded.judged`;

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
  const stations = [stationId, stationId, stationId];
  const [sql, values] = specimenId ? [waitingSql('and s.id = ?'), [...stations, specimenId]] : [waitingSql(''), stations];
  const waiting = await em.getConnection().execute<Waiting[]>(sql, values);
  if (waiting.length === 0) return;
  const books = new Map<string, Waiting[]>();
  for (const one of waiting) {
    const book = `${one.guide_id} ${one.call.guideVersion}`;
    books.set(book, [...(books.get(book) ?? []), one]);
  }
  for (const some of books.values()) {
    const [{ guide_id, call }] = some;
    const book = await guideThen(em, stationId, guide_id, call.guideVersion);
    const judged = book ? await pool.ask(stationId, 'judge', { calls: some.map(asked) }, book) : [];
    await em.transactional((tx) => bound(tx, KEPT, [stationId, JSON.stringify(some.map((one, i) => kept(one, judged[i])))]));
  }
}

/** The guide as it was; none where the name was given by another guide that has no such version. */
async function guideThen(em: Em, stationId: string, id: string, version: number): Promise<StoredGuide | undefined> {
  try {
    return await findGuide(em, stationId, id, version);
  } catch (error) {
    if (error instanceof HttpProblem && error.status === 404) return undefined;
    throw error;
  }
}

/** A call on what it was given on; where that was not kept, nothing had been read. */
function asked({ call, truth, after }: Waiting): Call & { judgement?: Judgement; truth: Called; after: readonly Reading[] } {
  const { id: determination, taxon, other, facets, by, at, p, pinned } = call;
  return {
    ...{ determination, by, at, p, truth, after },
    called: { taxon: taxon!, ...(other ? { other } : {}), facets },
    situation: pinned?.situation ?? {},
    readings: pinned?.readings ?? [],
    ...(pinned?.judgement ? { judgement: pinned.judgement } : {}),
  };
}

const kept = ({ specimen_id, verification_id, specimen_version, guide_id }: Waiting, judged: Judged | undefined) => ({
  ...{ specimen_id, verification_id, specimen_version, guide_id },
  judged: judged ?? null,
});
