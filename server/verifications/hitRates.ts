import type { CalibrationQuery, HitRatesView } from '@plesion/contract/calibration';
import { TELLS } from '@plesion/core/evidence';
import { hitRates as ratesOf } from '@plesion/core/verification';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { judgeWaiting } from './judging';
import { asSet, guidesOfSchool } from './schools';

/** Marks told at most. */
const MARKS = 200;

/** Calls that were judged, of those asked for. */
const JUDGED = `from judged_call where station_id = ? and is_right is not null
  and (?::uuid is null or guide_id = ?::uuid) and (?::text is null or by = ?::text) and (?::int is null or season = ?::int)
  and (?::uuid[] is null or guide_id = any(?::uuid[]))`;

type Count = { n: number; hits: number };

/** How often marks, people and guides turned out right. */
export async function hitRates(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  { guideId, by, season, school }: CalibrationQuery,
): Promise<HitRatesView> {
  await judgeWaiting(em, pool, stationId);
  const ofSchool = asSet(await guidesOfSchool(em, stationId, school));
  const values = [stationId, ...[guideId, by, season, ofSchool].flatMap((value) => [value ?? null, value ?? null])];
  const ask = <Row>(sql: string) => em.getConnection().execute<(Row & Count)[]>(sql, values);
  const names = 'count(*)::int as n, count(*) filter (where is_right)::int as hits';
  const [marks, observers, guides] = await Promise.all([
    ask<{ guideId: string; character: string }>(
      `select guide_id as "guideId", mark->'reading'->>'character' as character, count(*)::int as n,
         count(*) filter (where (mark->>'bits')::float > 0)::int as hits
       from (select guide_id, jsonb_array_elements(judged->'marks') as mark ${JUDGED}) as marks
       where abs((mark->>'bits')::float) >= ${TELLS} group by 1, 2`,
    ),
    ask<{ by: string }>(`select by, ${names} ${JUDGED} group by 1`),
    ask<{ guideId: string }>(`select guide_id as "guideId", ${names} ${JUDGED} group by 1`),
  ]);
  return { marks: ratesOf(marks).slice(0, MARKS), observers: ratesOf(observers), guides: ratesOf(guides) };
}
