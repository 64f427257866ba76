import type { Correction, ListedName, ListedRecord } from '@plesion/contract';
import { type Guide, lineage } from '@plesion/core/guide';
import type { VerificationKind } from '@plesion/core/verification';
import type { Em } from '../database/orm';
import { guidesOf } from '../guides/service';
import type { ListedName as StoredName } from '../records/corrections';
import { ACCEPTED, knownCaptures, UNTOLD } from './knownCaptures';

interface Row {
  kind: ListedRecord['kind'];
  id: string;
  day: string;
  /** Nothing where no guide has it, and `taxon` is its name. */
  guide_id: string | null;
  taxon: string;
  other: string | null;
  site: string | null;
  who: string;
}

interface CorrectedRow {
  kind: Correction['kind'];
  record_id: string;
  day: string;
  site_id: string | null;
  recorded_by: string;
  was: StoredName | null;
  became: StoredName | null;
  account: string;
  at: string;
  /** `said` or `taken`, of an outcome; empty where the record itself was written. */
  cause: string;
  outcome: VerificationKind | null;
}

/**
 * The earliest record of each taxon at each site, by each person, in each year: captures by
 * their kind, or each by what its bearer turned out to be, specimens by what they turned out to be, or the name given last, where it is not doubted. "A or B" stands under
 * what holds both. With what was named anew, or removed, since.
 */
export async function lists(em: Em, stationId: string): Promise<{ records: ListedRecord[]; corrections: Correction[] }> {
  const [rows, corrected] = [await recordRows(em, stationId), await correctedRows(em, stationId)];
  const known = await knownCaptures(em, stationId);
  const shared = await guidesOf(em, stationId, [
    ...rows.flatMap(({ other, guide_id }) => (other && guide_id ? [guide_id] : [])),
    ...corrected.flatMap(({ was, became }) =>
      [was, became].flatMap((name) => (name?.other && name.guideId ? [name.guideId] : [])),
    ),
  ]);
  const listed = ({ guideId, taxon, other, name }: StoredName): ListedName => {
    if (!guideId || !taxon) return { name };
    const group = other ? sharedBy(shared.get(guideId), taxon, other) : undefined;
    return { guideId, ...(other ? (group ? { group } : {}) : { taxon }) };
  };
  return {
    records: [
      ...rows.map(({ guide_id, taxon, other, ...row }) => ({
        ...row,
        listed: guide_id ? { guideId: guide_id, taxon, other: other ?? undefined } : { name: taxon },
      })),
      ...known.map((one) => ({ kind: 'capture' as const, ...one })),
    ].map(({ kind, id, day, site, who, listed: name }) => ({
      kind,
      id,
      day,
      ...listed(name),
      ...(site ? { site } : {}),
      by: who,
    })),
    corrections: corrected.map(({ record_id, site_id, recorded_by, was, became, account, at, cause, outcome, ...rest }) => ({
      ...rest,
      id: record_id,
      ...(site_id ? { site: site_id } : {}),
      recordedBy: recorded_by,
      ...(was ? { was: listed(was) } : {}),
      ...(became ? { became: listed(became) } : {}),
      by: account,
      at: new Date(at).toISOString(),
      ...(outcome ? { outcome: { kind: outcome, takenBack: cause === 'taken' } } : {}),
    })),
  };
}

/** Corrections told at once. */
const TOLD = 100;

/** As in the records: under the name that a checklist accepts. */
const accepted = (
  column: 'was' | 'became',
) => `case when ${column}->>'name' is not null then jsonb_build_object('name', coalesce((
    select accepted from checklist_name
    where checklist_name.station_id = correction.station_id and lower(checklist_name.name) = lower(${column}->>'name')
    order by checklist_id limit 1
  ), ${column}->>'name')) else ${column} end as ${column}`;

const correctedRows = (em: Em, stationId: string) =>
  em.getConnection().execute<CorrectedRow[]>(
    `select kind, record_id, to_char(day, 'YYYY-MM-DD') as day, site_id, recorded_by, ${accepted('was')}, ${accepted('became')}, account, at,
       split_part(cause, ' ', 1) as cause, (select kind from verification v
         where v.station_id = correction.station_id and v.id = case when cause = '' then null else right(cause, 36)::uuid end) as outcome
     from correction where station_id = ? order by at desc, record_id limit ${TOLD}`,
    [stationId],
  );

const recordRows = (em: Em, stationId: string) =>
  em.getConnection().execute<Row[]>(
    // Summed up before anything is told apart further: there are many captures to a line.
    `with met as (
       select 'capture' as kind, min(to_char(capture.at at time zone 'UTC', 'YYYY-MM-DD') || capture.id::text collate "C") as first,
         capture.content->>'guideId' as guide_id, capture.content->>'taxon' as taxon,
         case when capture.content->>'taxon' is null then capture.content->>'name' end as name,
         null as other, visit.site_id::text as site, capture.recorded_by as who
       from capture join visit on visit.station_id = capture.station_id and visit.id = capture.visit_id
       where capture.station_id = ? and not capture.hidden and coalesce(capture.content->>'taxon', capture.content->>'name') is not null
         and ${UNTOLD}
       group by 3, 4, 5, 7, 8, date_part('year', capture.at at time zone 'UTC')
       union all
       select 'specimen', min(to_char(coalesce(seen_on, (created_at at time zone 'UTC')::date), 'YYYY-MM-DD') || id::text collate "C"),
         guide_id::text, coalesce(listed_instead, determinations->-1->>'taxon'), null,
         case when listed_instead is null then determinations->-1->>'other' end, null, recorded_by
       from specimen
       where station_id = ? and not hidden and guide_id is not null and (listed_instead is not null
         or named and determinations->-1->>'qualifier' in ('none', 'or') and determinations->-1->>'taxon' is not null)
       group by 3, 4, 6, 8, date_part('year', coalesce(seen_on, (created_at at time zone 'UTC')::date))
     ), known as (${ACCEPTED}), named as (
       select kind, first, case when taxon is null then null else guide_id end as guide_id,
         coalesce(taxon, accepted, met.name) as taxon, other, site, who
       from met left join known on known.name = lower(met.name)
     )
     select distinct on (guide_id, taxon, other, site, who, left(first, 4))
       kind, substr(first, 11)::uuid as id, left(first, 10) as day, guide_id, taxon, other, site, who
     from named order by guide_id, taxon, other, site, who, left(first, 4), first`,
    [stationId, stationId, stationId],
  );

/** The nearest taxon that holds both. */
function sharedBy(guide: Guide | undefined, one: string, other: string): string | undefined {
  if (!guide) return undefined;
  const above = new Set(lineage(guide, other).map(({ id }) => id));
  return lineage(guide, one).find(({ id }) => above.has(id))?.id;
}
