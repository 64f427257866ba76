import type { SpecimenQuery } from '@plesion/contract';
import { occurrencesCsv } from '@plesion/core/formats';
import { SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { gridOf } from '../station/grid';
import { daybookOrder, guideOf, guideVersions, pageFilter } from '../specimens/list';

/** Specimens fetched and written at once; others are answered in between. */
const SOME = 200;

/** The daybook under some filters as Darwin Core, a piece at a time: never all of it is held. */
export async function* occurrences(em: Em, stationId: string, query: SpecimenQuery): AsyncGenerator<string> {
  const grid = await gridOf(em, stationId);
  for (let after = query.after, begun = false; ; begun = true) {
    const records = await em.find(SpecimenEntity, pageFilter(stationId, { ...query, after }), {
      orderBy: daybookOrder(),
      limit: SOME,
      disableIdentityMap: true,
    });
    if (records.length === 0 && begun) return;
    if (begun) yield '\r\n';
    const versions = await guideVersions(em, stationId, records);
    yield occurrencesCsv(
      records.map((record) => ({
        id: record.id,
        guide: guideOf(versions, record),
        label: record.label,
        situation: record.situation,
        determinations: record.determinations,
        ledTo: [record.summary.taxon, record.summary.other].flatMap((taxon) => taxon ?? []),
        recordedBy: record.recordedBy,
        modified: record.updatedAt.toISOString(),
        grid,
      })),
      { header: !begun },
    );
    if (records.length < SOME) return;
    after = records.at(-1)!.id;
  }
}
