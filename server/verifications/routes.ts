import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { calibration } from './calibration';
import { hitRates } from './hitRates';
import { listOverturned } from './overturned';
import { listVerifications, verify, withdrawVerification } from './service';

export function verificationRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'verifications', ({ em: own, caller, query }) => listVerifications(own, pool, caller, query));
  bind(router, em, 'verify', ({ em: own, caller, body }) => verify(own, caller, body));
  bind(router, em, 'withdrawVerification', ({ em: own, caller, params }) => withdrawVerification(own, caller, params.id));
  bind(router, em, 'calibration', ({ em: own, caller, query }) => calibration(own, pool, caller, query));
  bind(router, em, 'hitRates', ({ em: own, caller, query }) => hitRates(own, pool, caller, query));
  bind(router, em, 'overturned', async ({ em: own, caller, query }) => ({
    overturned: await listOverturned(own, pool, caller, query.guideId),
  }));
}
