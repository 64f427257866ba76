import { type Judged, type Overturned, overturnedBy } from '@plesion/core/verification';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';
import { judgeWaiting } from './judging';

/** Overturned calls by which one is warned, at most. */
const MOST = 200;

type Row = Pick<Overturned, 'specimenId' | 'kind' | 'on' | 'truth'> & { judged: Judged };

/** Calls of a guide that were overturned and by which one can be warned, the newest first. */
export async function listOverturned(em: Em, pool: AnalysisPool, { stationId }: Caller, guideId: string): Promise<Overturned[]> {
  await judgeWaiting(em, pool, stationId);
  const rows = await em.getConnection().execute<Row[]>(
    `select j.specimen_id as "specimenId", v.kind, to_char(v.on_day, 'YYYY-MM-DD') as on,
       jsonb_build_object('taxon', v.taxon, 'facets', v.facets) as truth, j.judged
     from judged_call j join verification v on v.station_id = j.station_id and v.id = j.verification_id
     where j.station_id = ? and j.guide_id = ? and not j.is_right
     order by v.at desc, j.specimen_id limit ${MOST}`,
    [stationId, guideId],
  );
  return rows.flatMap(({ judged, ...outcome }) => overturnedBy(judged, outcome) ?? []);
}
