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

/** Of whom, of when and by which guides anything is known. */
const KNOWN = `
  select guide_id, by, season from judged_call where station_id = ? and is_right is not null group by 1, 2, 3`;

interface Known {
  guide_id: string;
  by: string;
  season: number;
}

/** Columns that say by what a name is asked for. */
interface Columns {
  by: string;
  season: string;
}

/** Which names are asked for: conditions, with their values. */
function asked(
  stationId: string,
  { guideId, by, season }: CalibrationQuery,
  ofSchool: readonly string[] | undefined,
  columns: Columns = { by: 'by', season: 'season' },
) {
  const wanted: [sql: string, value: string | number | null][] = [['station_id = ?', stationId]];
  if (guideId !== undefined) wanted.push(['guide_id = ?::uuid', guideId]);
  const set = asSet(ofSchool);
  if (set) wanted.push(['guide_id = any(?::uuid[])', set]);
  if (by !== undefined) wanted.push([`${columns.by} = ?`, by]);
  if (season !== undefined) wanted.push([`${columns.season} = ?`, season]);
  return { where: wanted.map(([sql]) => sql).join(' and '), values: wanted.map(([, value]) => value) };
}

/** How sure names were, and whether they turned out to be so; alike ones together. */
const statedOf = (em: Em, { where, values }: ReturnType<typeof asked>): Promise<Stated[]> =>
  em
    .getConnection()
    .execute(
      `select round(p::numeric, 3)::float as p, is_right as right, count(*)::int as n from judged_call where is_right is not null and ${where} group by 1, 2`,
      values,
    );

/** What was called what, the most often first. */
async function pairsOf(em: Em, { where, values }: ReturnType<typeof asked>): Promise<CalledPair[]> {
  const rows = await em.getConnection().execute<(Omit<CalledPair, 'guideId'> & { guide_id: string })[]>(
    `select guide_id, called, truth, is_right as right, count(*)::int as n, (array_agg(specimen_id))[1:${RECORDS}] as specimens
     from judged_call where is_right is not null and ${where} group by 1, 2, 3, 4 order by n desc, guide_id, called, truth, is_right limit ${PAIRS}`,
    values,
  );
  return rows.map(({ guide_id: guideId, ...pair }) => ({ guideId, ...pair }));
}

/** How far the names of a station can be relied on. */
export async function calibration(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  query: CalibrationQuery,
): Promise<CalibrationView> {
  await judgeWaiting(em, pool, stationId);
  const [all, guides, ofSchool] = await Promise.all([
    em.getConnection().execute<Known[]>(KNOWN, [stationId]),
    listGuides(em, stationId),
    guidesOfSchool(em, stationId, query.school),
  ]);
  const used = guides.filter(({ id }) => all.some(({ guide_id }) => guide_id === id));
  const which = asked(stationId, query, ofSchool);
  const [calls, names, stated, pairs] = await Promise.all([
    callsOf(em, stationId, used),
    namesOf(em, stationId, query, ofSchool),
    statedOf(em, which),
    pairsOf(em, which),
  ]);
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
      ...(found ? { meanVerified: stated.reduce((sum, { p, n = 1 }) => sum + n * p, 0) / found.n } : {}),
    },
    ...(found ? { calibration: found } : {}),
    thresholds: found ? atThresholds(stated, THRESHOLDS) : [],
    pairs,
  };
}

/** All names that were given, and how sure they were in the mean. */
async function namesOf(em: Em, stationId: string, query: CalibrationQuery, ofSchool: readonly string[] | undefined) {
  const call = 'determinations->-1';
  const { where, values } = asked(stationId, query, ofSchool, {
    by: `${call}->>'by'`,
    season: `extract(year from (${call}->>'at')::timestamptz)`,
  });
  const [row] = await em.getConnection().execute<{ all: number; mean: number | null }[]>(
    `select count(*)::int as "all", avg((${call}->>'p')::float) as mean from specimen
     where not hidden and named and guide_id is not null and ${call}->>'taxon' is not null and ${where}`,
    values,
  );
  return { all: row.all, ...(row.mean === null ? {} : { meanAll: row.mean }) };
}
