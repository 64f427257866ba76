import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { setStation, viewStation } from './service';
import type { Quotas } from './quota';

export function stationRoutes(router: Router, em: () => Em, quotas: Quotas): void {
  bind(router, em, 'station', ({ em: own, caller }) => viewStation(own, caller.stationId, quotas));
  bind(router, em, 'setStation', async ({ em: own, caller, body }) => {
    await setStation(own, caller.stationId, body);
    return viewStation(own, caller.stationId, quotas);
  });
}
