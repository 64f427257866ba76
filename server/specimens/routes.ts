import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { AnalysisPool } from '../analysis/pool';
import { listSpecimens } from './list';
import { findSpecimen, writeSpecimen } from './service';

export function specimenRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'specimens', ({ em: own, caller, query }) => listSpecimens(own, caller.stationId, query));
  bind(router, em, 'specimen', ({ em: own, caller, params }) => findSpecimen(own, caller.stationId, params.id));
  bind(router, em, 'writeSpecimen', ({ em: own, caller, params, body }) => writeSpecimen(own, pool, caller, params.id, body));
}
