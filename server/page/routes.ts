import type { Router } from 'express';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { bind } from '../http/route';
import type { PageKind } from './draw';
import type { PagePool } from './pool';
import { comparePage, keySheetPage, specimenPage } from './service';

const MEDIA: Record<PageKind, string> = { pdf: 'application/pdf', png: 'image/png' };

export function pageRoutes(router: Router, em: () => Em, files: FileStore, pool: PagePool): void {
  bind(router, em, 'comparePage', async ({ em: own, caller, params, query, response }) => {
    const kind = query.as ?? 'pdf';
    const page = await comparePage(own, pool, caller.stationId, params.id, { ...query, forms: query.forms.split(','), kind });
    response.attachment(`comparison.${kind}`).type(MEDIA[kind]);
    return page;
  });
  bind(router, em, 'specimenPage', async ({ em: own, caller, params, query, response }) => {
    const kind = query.as ?? 'pdf';
    const page = await specimenPage(own, { files, pool }, caller.stationId, params.id, kind);
    response.attachment(`specimen.${kind}`).type(MEDIA[kind]);
    return page;
  });
  bind(router, em, 'keySheet', async ({ em: own, caller, params, response }) => {
    const page = await keySheetPage(own, pool, caller.stationId, params.id);
    response.attachment('key.pdf');
    return page;
  });
}
