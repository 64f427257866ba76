import type { CalibrationQuery, CalibrationView, CalledPair } from '@plesion/contract/calibration';
import { atThresholds, calibrationOf, type Stated } from '@plesion/core/verification';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { listGuides } from '../guides/service';
import type { Caller } from '../http/route';
import { judgeWaiting } from './judging';
import { asSet, callsOf, guidesOfSchool } from './schools';

/** Probabilities from which on a guide may let names be given: each hundredth. */
const THRESHOLDS = Array.from({ length: 50 }, (_, i) => (50 + i) / 100);

/** As guides usually have it. */
const USUAL = 0.95;

/** What was called what, at most; records told of each. */
const PAIRS = 120;
const RECORDS = 12;

/** Names that were given alike and turned out alike. */
interface Alike {
  guide_id: string;
  called: string;
  truth: string;
  right: boolean;
  by: string;
  season: number;
  p: number;
  n: number;
  specimens: string[];
}

const ALIKE = `
  select guide_id, called, truth, is_right as right, by, season, round(p::numeric, 3)::float as p, count(*)::int as n,
    (array_agg(specimen_id))[1:${RECORDS}] as specimens
  from judged_call where station_id = ? and is_right is not null group by 1, 2, 3, 4, 5, 6, 7`;

/** How far the names of a station can be relied on. */
export async function calibration(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  query: CalibrationQuery,
): Promise<CalibrationView> {
  await judgeWaiting(em, pool, stationId);
  const [all, guides] = await Promise.all([em.getConnection().execute<Alike[]>(ALIKE, [stationId]), listGuides(em, stationId)]);
  const used = guides.filter(({ id }) => all.some(({ guide_id }) => guide_id === id));
  const calls = await callsOf(em, stationId, used);
  const ofSchool = await guidesOfSchool(em, stationId, query.school);
  const names = await namesOf(em, stationId, query, ofSchool);
  const judged = all.filter(
    ({ guide_id, by, season }) =>
      (query.guideId === undefined || guide_id === query.guideId) &&
      (ofSchool === undefined || ofSchool.includes(guide_id)) &&
      (query.by === undefined || by === query.by) &&
      (query.season === undefined || season === query.season),
  );
  const stated: Stated[] = judged.map(({ p, right, n }) => ({ p, right, n }));
  const found = calibrationOf(stated);
  return {
    guides: used.map(({ id, title }) => ({ id, title })),
    observers: [...new Set(all.map(({ by }) => by))].sort(),
    seasons: [...new Set(all.map(({ season }) => season))].sort((a, b) => b - a),
    schools: [...new Set([...calls.values()].map(({ school }) => school))].sort(),
    usual: (query.guideId && calls.get(query.guideId)?.posterior) || USUAL,
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

function pairsOf(judged: readonly Alike[]): CalledPair[] {
  const pairs = new Map<string, CalledPair>();
  for (const { guide_id: guideId, called, truth, right, n, specimens } of judged) {
    const key = `${guideId} ${called} ${truth} ${right}`;
    const known = pairs.get(key) ?? { guideId, called, truth, right, n: 0, specimens: [] };
    pairs.set(key, { ...known, n: known.n + n, specimens: [...known.specimens, ...specimens].slice(0, RECORDS) });
  }
  return [...pairs.values()].sort((a, b) => b.n - a.n).slice(0, PAIRS);
}

/** All names that were given, and how sure they were in the mean. */
async function namesOf(
  em: Em,
  stationId: string,
  { guideId, by, season }: CalibrationQuery,
  ofSchool: readonly string[] | undefined,
) {
  const call = 'determinations->-1';
  const wanted: [sql: string, value: string | number][] = [];
  if (guideId !== undefined) wanted.push(['guide_id = ?::uuid', guideId]);
  const set = asSet(ofSchool);
  if (set) wanted.push(['guide_id = any(?::uuid[])', set]);
  if (by !== undefined) wanted.push([`${call}->>'by' = ?`, by]);
  if (season !== undefined) wanted.push([`extract(year from (${call}->>'at')::timestamptz) = ?`, season]);
  const [row] = await em.getConnection().execute<{ all: number; mean: number | null }[]>(
    `select count(*)::int as "all", avg((${call}->>'p')::float) as mean from specimen
     where ${['station_id = ? and not hidden and named and guide_id is not null', `${call}->>'taxon' is not null`, ...wanted.map(([sql]) => sql)].join(' and ')}`,
    [stationId, ...wanted.map(([, value]) => value)],
  );
  return { all: row.all, ...(row.mean === null ? {} : { meanAll: row.mean }) };
}
