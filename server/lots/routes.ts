import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { findLot, listLots, writeLot } from './service';

export function lotRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'lots', async ({ em: own, caller, query }) => ({ lots: await listLots(own, caller.stationId, query) }));
  bind(router, em, 'lot', ({ em: own, caller, params }) => findLot(own, caller.stationId, params.id));
  bind(router, em, 'writeLot', ({ em: own, caller, params, body }) => writeLot(own, caller, params.id, body));
}
