import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { earlierOf, putBack } from './service';

export function earlierRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'earlier', ({ em: own, caller, params }) => earlierOf(own, pool, caller.stationId, params));
  bind(router, em, 'putBack', ({ em: own, caller, params, body }) => putBack(own, pool, caller, params, body.version));
}
