import { occurrencesCsv } from '@plesion/core/formats';
import type { Router } from 'express';
import { SpecimenEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { filterOf, guideOf, guideVersions } from '../specimens/list';

export function exportRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'exportOccurrences', async ({ em: own, caller, query, response }) => {
    const records = await own.find(SpecimenEntity, filterOf(caller.stationId, query), {
      orderBy: [{ seenOn: 'desc nulls first' }, { createdAt: 'desc' }],
    });
    const versions = await guideVersions(own, caller.stationId, records);
    response.attachment('occurrences.csv');
    return occurrencesCsv(
      records.map((record) => ({
        id: record.id,
        guide: guideOf(versions, record),
        label: record.label,
        situation: record.situation,
        determinations: record.determinations,
        recordedBy: record.recordedBy,
        modified: record.updatedAt.toISOString(),
      })),
    );
  });
}
