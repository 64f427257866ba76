import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { AnalysisPool } from '../analysis/pool';
import { standingFor } from './service';

export function standingRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'standing', ({ em: own, caller, params, body }) => standingFor(own, pool, caller.stationId, params.id, body));
}
