import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { calibration } from './calibration';
import { listVerifications, verify, withdrawVerification } from './service';

export function verificationRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'verifications', async ({ em: own, caller, query }) => ({
    verifications: await listVerifications(own, caller, query.specimenId),
  }));
  bind(router, em, 'verify', ({ em: own, caller, body }) => verify(own, caller, body));
  bind(router, em, 'calibration', ({ em: own, caller, query }) => calibration(own, caller, query));
  bind(router, em, 'withdrawVerification', ({ em: own, caller, params }) => withdrawVerification(own, caller, params.id));
}
