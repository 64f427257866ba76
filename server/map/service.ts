import type { BaseMap, Placed } from '@plesion/contract';
import { islands } from '@plesion/demo/islands';
import type { Em } from '../database/orm';
import type { Writer } from '../records/write';

/** Places told at most, those with most records first. */
const MOST = 20_000;

/** Captures by where they were, else by their site, and specimens by where they were seen, as sums: one statement. */
export async function placesOf(em: Em, stationId: string): Promise<{ places: Placed[]; more: boolean }> {
  const rows = await em
    .getConnection()
    .execute<(Omit<Placed, 'siteId' | 'guideId'> & { site_id: string | null; guide_id: string | null })[]>(
      `with placed as (
       select coalesce(capture.content->'position', site.content->'position') as position,
         case when capture.content->'position' is null then site.id end as site_id,
         to_char(capture.at at time zone 'UTC', 'YYYY-MM') as month,
         capture.content->>'guideId' as guide_id, capture.content->>'taxon' as taxon, capture.content->>'name' as name
       from capture
       join visit on visit.station_id = capture.station_id and visit.id = capture.visit_id
       join site on site.station_id = visit.station_id and site.id = visit.site_id
       where capture.station_id = ? and not capture.hidden
       union all
       select situation, null, to_char(coalesce(seen_on::timestamp, created_at at time zone 'UTC'), 'YYYY-MM'), guide_id::text,
         summary->>'taxon', null
       from specimen where station_id = ? and not hidden and situation->'latitude' is not null and situation->'longitude' is not null
     )
     select round((position->>'longitude')::numeric, 4)::float as longitude, round((position->>'latitude')::numeric, 4)::float as latitude,
       month, count(*)::int as n, site_id, guide_id, taxon, name
     from placed where position is not null
     group by 1, 2, 3, 5, 6, 7, 8 order by n desc, month desc limit ?`,
      [stationId, stationId, MOST + 1],
    );
  const places = rows.slice(0, MOST).map(({ site_id, guide_id, taxon, name, ...place }) => ({
    ...place,
    ...(site_id ? { siteId: site_id } : {}),
    ...(guide_id ? { guideId: guide_id } : {}),
    ...(taxon ? { taxon } : {}),
    ...(name ? { name } : {}),
  }));
  return { places, more: rows.length > MOST };
}

/** The station's own ground, or the Tessary Isles. */
export async function baseMapOf(em: Em, stationId: string): Promise<{ map: BaseMap; own: boolean }> {
  const [row] = await em
    .getConnection()
    .execute<{ content: BaseMap }[]>('select content from base_map where station_id = ?', [stationId]);
  return row ? { map: row.content, own: true } : { map: islands(), own: false };
}

export async function writeBaseMap(
  em: Em,
  { stationId, accountName }: Writer,
  map: BaseMap | null,
): Promise<{ map: BaseMap; own: boolean }> {
  if (map)
    await em.getConnection().execute(
      `insert into base_map (station_id, content, account, at) values (?, ?::jsonb, ?, now())
       on conflict (station_id) do update set content = excluded.content, account = excluded.account, at = excluded.at`,
      [stationId, JSON.stringify(map), accountName],
    );
  else await em.getConnection().execute('delete from base_map where station_id = ?', [stationId]);
  return baseMapOf(em, stationId);
}
