import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { viewStation } from './service';
import type { Quotas } from './quota';

export function stationRoutes(router: Router, em: () => Em, quotas: Quotas): void {
  bind(router, em, 'station', ({ em: own, caller }) => viewStation(own, caller.stationId, quotas));
}
