import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { Office } from './office';
import { fetchRecoveries, officeView, reportSeason, sendFile } from './service';

export function officeRoutes(router: Router, em: () => Em, office: Office | undefined): void {
  bind(router, em, 'office', ({ em: own, caller }) => officeView(own, caller.stationId, office));
  bind(router, em, 'reportSeason', ({ em: own, caller, body }) => reportSeason(own, caller, office, body.year));
  bind(router, em, 'reportAgain', ({ em: own, caller, params }) => sendFile(own, caller.stationId, office, params.id));
  bind(router, em, 'fetchRecoveries', async ({ em: own, caller }) => {
    await fetchRecoveries(own, caller.stationId, office);
    return officeView(own, caller.stationId, office);
  });
}
