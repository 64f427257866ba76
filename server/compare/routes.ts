import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { compareFor } from './service';

export function compareRoutes(router: Router, em: () => Em, analysis: AnalysisPool): void {
  bind(router, em, 'compare', ({ em: own, caller, params, body }) =>
    compareFor(own, analysis, caller.stationId, params.id, body),
  );
}
