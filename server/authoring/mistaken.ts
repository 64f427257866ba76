import type { Mistaken } from '@plesion/core/authoring';
import type { Em } from '../database/orm';

/** Pairs at most, those that were taken for one another most often. */
const MOST = 400;

/** What a station's people took for one another with some guides: in names that turned out otherwise, and in practice. */
export async function mistakenWith(em: Em, stationId: string, guideIds: readonly string[]): Promise<Mistaken[]> {
  if (!guideIds.length) return [];
  const guides = guideIds.map(() => '?').join(', ');
  return em.getConnection().execute<Mistaken[]>(
    `with taken as (
       select called as a, truth as b from judged_call where station_id = ? and guide_id in (${guides}) and not is_right
       union all
       select truth, said from practice_answer, jsonb_array_elements_text(answer->'groups') as said
       where station_id = ? and guide_id in (${guides}) and said <> truth
     )
     select least(a, b) as a, greatest(a, b) as b, count(*)::int as times from taken group by 1, 2 order by 3 desc, 1, 2 limit ${MOST}`,
    [stationId, ...guideIds, stationId, ...guideIds],
  );
}
