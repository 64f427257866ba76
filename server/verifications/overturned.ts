import { type Judged, type Overturned, overturnedBy } from '@plesion/core/verification';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { judgeWaiting } from './judging';
import { SUREST } from './surest';

/** Overturned calls by which one is warned, at most. */
const MOST = 200;

type Row = Pick<Overturned, 'specimenId' | 'kind' | 'on' | 'truth'> & { judged: Judged };

/** Calls of a guide that were overturned and by which one can be warned, the newest first. */
export async function listOverturned(em: Em, pool: AnalysisPool, { stationId }: Caller, guideId: string): Promise<Overturned[]> {
  await judgeWaiting(em, pool, stationId);
  const rows = await em.getConnection().execute<Row[]>(
    `with sure as (${SUREST})
     select j.specimen_id as "specimenId", sure.kind, to_char(sure.on_day, 'YYYY-MM-DD') as on,
       jsonb_build_object('taxon', sure.taxon, 'facets', sure.facets) as truth, j.judged
     from judged_call j
     join sure on sure.specimen_id = j.specimen_id and sure.id = j.verification_id
     join specimen s on s.station_id = j.station_id and s.id = j.specimen_id and not s.hidden
     where j.station_id = ? and j.guide_id = ? and not (j.judged->>'right')::boolean
     order by sure.at desc, j.specimen_id limit ${MOST}`,
    [stationId, stationId, guideId],
  );
  return rows.flatMap(({ judged, ...outcome }) => overturnedBy(judged, outcome) ?? []);
}
