import type { CalibrationQuery, HitRatesView } from '@plesion/contract/calibration';
import { hitRates as ratesOf, TELLS } from '@plesion/core/verification';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { judgeWaiting } from './judging';
import { SUREST } from './surest';

/** Marks told at most. */
const MARKS = 200;

/** Calls that are held against the surest word on them, of records that are not hidden. */
const JUDGED = `
  with sure as (${SUREST}), known as (
    select j.guide_id, j.judged from judged_call j
    join sure on sure.specimen_id = j.specimen_id and sure.id = j.verification_id
    join specimen s on s.station_id = j.station_id and s.id = j.specimen_id and not s.hidden
    where j.station_id = ? and j.judged is not null
      and (?::uuid is null or j.guide_id = ?::uuid) and (?::text is null or j.judged->>'by' = ?::text)
      and (?::int is null or extract(year from (j.judged->>'at')::timestamptz) = ?::int)
  )`;

type Count = { n: number; hits: number };

/** How often marks, people and guides turned out right. */
export async function hitRates(
  em: Em,
  pool: AnalysisPool,
  { stationId }: Caller,
  query: CalibrationQuery,
): Promise<HitRatesView> {
  await judgeWaiting(em, pool, stationId);
  const { guideId, by, season } = query;
  const values = [stationId, stationId, ...[guideId, by, season].flatMap((value) => [value ?? null, value ?? null])];
  const ask = <Row>(rest: string) => em.getConnection().execute<(Row & Count)[]>(`${JUDGED} ${rest}`, values);
  const names = `count(*)::int as n, count(*) filter (where (judged->>'right')::boolean)::int as hits from known group by 1`;
  const [marks, observers, guides] = await Promise.all([
    ask<{ guideId: string; character: string }>(
      `select guide_id as "guideId", mark->'reading'->>'character' as character, count(*)::int as n,
         count(*) filter (where (mark->>'bits')::float > 0)::int as hits
       from known, jsonb_array_elements(judged->'marks') as mark
       where abs((mark->>'bits')::float) >= ${TELLS} group by 1, 2`,
    ),
    ask<{ by: string }>(`select judged->>'by' as by, ${names}`),
    ask<{ guideId: string }>(`select guide_id as "guideId", ${names}`),
  ]);
  return { marks: ratesOf(marks).slice(0, MARKS), observers: ratesOf(observers), guides: ratesOf(guides) };
}
