import type { CalibrationQuery, CalibrationView, CalledPair } from '@plesion/contract/calibration';
import type { Facets, Guide } from '@plesion/core/guide';
import { atThresholds, calibrationOf, type Stated, turnedOut } from '@plesion/core/verification';
import type { Em } from '../database/orm';
import { findGuide, listGuides } from '../guides/service';
import type { Caller } from '../http/route';
import { SUREST } from './surest';

/** Probabilities from which on a guide may let names be given. */
const THRESHOLDS = [0.8, 0.9, 0.95, 0.99];

/** What was called what, at most; records told of each. */
const PAIRS = 120;
const RECORDS = 12;

/** Names that were given alike and turned out alike. */
interface Alike {
  guide_id: string;
  taxon: string;
  other: string | null;
  facets: Facets;
  truth: string;
  truth_facets: Facets;
  by: string;
  season: number;
  p: number;
  n: number;
  specimens: string[];
}

/** The surest word on each specimen, beside the newest name it had before that. */
const ALIKE = `
  with sure as (${SUREST})
  select s.guide_id, call->>'taxon' as taxon, call->>'other' as other, coalesce(call->'facets', '{}') as facets,
    sure.taxon as truth, sure.facets as truth_facets, call->>'by' as by, extract(year from (call->>'at')::timestamptz)::int as season,
    round((call->>'p')::numeric, 3)::float as p, count(*)::int as n, (array_agg(s.id order by s.updated_at desc))[1:${RECORDS}] as specimens
  from sure
  join specimen s on s.station_id = ? and s.id = sure.specimen_id and not s.hidden and s.guide_id is not null
  join lateral (
    select name as call from jsonb_array_elements(s.determinations) with ordinality as names (name, place)
    where (name->>'at')::timestamptz <= sure.at order by place desc limit 1
  ) as newest on call->>'taxon' is not null
  group by 1, 2, 3, 4, 5, 6, 7, 8, 9`;

/** How far the names of a station can be relied on. */
export async function calibration(em: Em, { stationId }: Caller, query: CalibrationQuery): Promise<CalibrationView> {
  const [all, guides] = await Promise.all([
    em.getConnection().execute<Alike[]>(ALIKE, [stationId, stationId]),
    listGuides(em, stationId),
  ]);
  const wanted = all.filter(
    ({ guide_id, by, season }) =>
      (query.guideId === undefined || guide_id === query.guideId) &&
      (query.by === undefined || by === query.by) &&
      (query.season === undefined || season === query.season),
  );
  const books = new Map<string, Guide>();
  for (const id of new Set(wanted.map(({ guide_id }) => guide_id))) books.set(id, (await findGuide(em, stationId, id)).guide);
  const judged = wanted.flatMap((one) => {
    const { taxon, other, facets, truth, truth_facets } = one;
    const called = { taxon, ...(other === null ? {} : { other }), facets };
    const right = turnedOut(books.get(one.guide_id)!, called, { taxon: truth, facets: truth_facets });
    return right === undefined ? [] : [{ ...one, right }];
  });
  const stated: Stated[] = judged.map(({ p, right, n }) => ({ p, right, n }));
  const found = calibrationOf(stated);
  const names = await namesOf(em, stationId, query);
  return {
    guides: guides.filter(({ id }) => all.some(({ guide_id }) => guide_id === id)).map(({ id, title }) => ({ id, title })),
    observers: [...new Set(all.map(({ by }) => by))].sort(),
    seasons: [...new Set(all.map(({ season }) => season))].sort((a, b) => b - a),
    names: {
      ...names,
      verified: found?.n ?? 0,
      ...(found ? { meanVerified: judged.reduce((sum, { p, n }) => sum + n * p, 0) / found.n } : {}),
    },
    ...(found ? { calibration: found } : {}),
    thresholds: found ? atThresholds(stated, THRESHOLDS) : [],
    pairs: pairsOf(judged),
  };
}

function pairsOf(judged: readonly (Alike & { right: boolean })[]): CalledPair[] {
  const pairs = new Map<string, CalledPair>();
  for (const { guide_id: guideId, taxon: called, truth, right, n, specimens } of judged) {
    const key = `${guideId} ${called} ${truth} ${right}`;
    const known = pairs.get(key) ?? { guideId, called, truth, right, n: 0, specimens: [] };
    pairs.set(key, { ...known, n: known.n + n, specimens: [...known.specimens, ...specimens].slice(0, RECORDS) });
  }
  return [...pairs.values()].sort((a, b) => b.n - a.n).slice(0, PAIRS);
}

/** All names that were given, and how sure they were in the mean. */
async function namesOf(em: Em, stationId: string, { guideId, by, season }: CalibrationQuery) {
  const [row] = await em.getConnection().execute<{ all: number; mean: number | null }[]>(
    `select count(*)::int as "all", avg((call->>'p')::float) as mean
     from specimen, lateral (select determinations->-1 as call) as newest
     where station_id = ? and not hidden and named and guide_id is not null and call->>'taxon' is not null
       and (?::uuid is null or guide_id = ?::uuid) and (?::text is null or call->>'by' = ?::text)
       and (?::int is null or extract(year from (call->>'at')::timestamptz) = ?::int)`,
    [stationId, guideId ?? null, guideId ?? null, by ?? null, by ?? null, season ?? null, season ?? null],
  );
  return { all: row.all, ...(row.mean === null ? {} : { meanAll: row.mean }) };
}
