import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { proposeCorrection } from './corrections';
import { followOwnRecords, ownRecords } from './service';

export function ownRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'ownRecords', ({ em: own, caller, params, query }) => ownRecords(own, pool, caller, params.id, query.weight));
  bind(router, em, 'followOwnRecords', ({ em: own, caller, params, body }) =>
    followOwnRecords(own, pool, caller, params.id, body),
  );
  bind(router, em, 'proposeCorrection', ({ em: own, caller, params, body }) =>
    proposeCorrection(own, pool, caller, params.id, body),
  );
}
