import type { CaptureWrite } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { listedInstead } from '@plesion/core/verification';
import type { Em } from '../database/orm';
import { guidesOf } from '../guides/service';
import type { ListedName } from '../records/corrections';
import { COUNTS, surestOfMarks } from '../verifications/surest';

export const nameOf = ({ guideId, taxon, name }: Pick<CaptureWrite, 'guideId' | 'taxon' | 'name'>): ListedName | undefined =>
  taxon ? { guideId, taxon } : name ? { name } : undefined;

/** What a capture goes by on lists: its own name, or what its bearer turned out to be instead. */
export function listedCapture(
  content: Pick<CaptureWrite, 'guideId' | 'taxon' | 'name'>,
  guide: Guide | undefined,
  truth: string | undefined,
): ListedName | undefined {
  const own = nameOf(content);
  const instead = guide && truth && listedInstead(guide, content.taxon ? { taxon: content.taxon } : undefined, { taxon: truth });
  return instead ? { guideId: content.guideId, taxon: instead } : own;
}

/** Captures `capture` of whose bearer nothing is known but what each says itself. */
export const UNTOLD = `not exists (
  select from verification v where v.station_id = capture.station_id and v.mark = capture.mark and ${COUNTS}
)`;

/** By which name a checklist of a station accepts what was written. */
export const ACCEPTED = `
  select distinct on (lower(name)) lower(name) as name, accepted from checklist_name
  where station_id = ? order by lower(name), checklist_id
`;

/** The guides that captures say their kind by. */
export const guideIdsOf = (captures: readonly Pick<CaptureWrite, 'guideId'>[]): string[] =>
  captures.flatMap(({ guideId }) => guideId ?? []);

interface KnownRow {
  id: string;
  day: string;
  guideId: string | null;
  taxon: string | null;
  name: string | null;
  site: string | null;
  who: string;
  truth: string;
}

/** The others, which are few: each by itself, with what its bearer turned out to be by the surest word. */
export async function knownCaptures(em: Em, stationId: string) {
  const rows = await em.getConnection().execute<KnownRow[]>(
    `with word as (${surestOfMarks('v.taxon')}), known as (${ACCEPTED})
     select m.id, to_char(m.at at time zone 'UTC', 'YYYY-MM-DD') as day, m.content->>'guideId' as "guideId", m.content->>'taxon' as taxon,
       coalesce(known.accepted, m.content->>'name') as name, visit.site_id as site, m.recorded_by as who, word.taxon as truth
     from word join capture m on m.station_id = ? and m.mark = word.mark and not m.hidden
       join visit on visit.station_id = m.station_id and visit.id = m.visit_id
       left join known on known.name = lower(m.content->>'name')
     order by m.at, m.id`,
    [stationId, stationId, stationId],
  );
  const captures = rows.map(({ guideId, taxon, name, ...row }) => ({
    ...row,
    ...{ guideId: guideId ?? undefined, taxon: taxon ?? undefined, name: name ?? undefined },
  }));
  const guides = await guidesOf(em, stationId, guideIdsOf(captures));
  return captures.flatMap(({ id, day, site, who, truth, ...content }) => {
    const listed = listedCapture(content, guides.get(content.guideId ?? ''), truth);
    return listed ? [{ id, day, site, who, listed }] : [];
  });
}
