import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { Jobs } from '../jobs/jobs';
import { begun } from '../jobs/waited';
import type { LearnPool } from './pool';
import { learnGuide } from './service';

export function learnRoutes(router: Router, em: () => Em, pool: LearnPool, jobs: Jobs): void {
  bind(router, em, 'learn', ({ em: own, caller, body, query, response }) =>
    begun(jobs, caller.stationId, query.wait === 'true', response, (signal, onProgress) =>
      learnGuide(own, pool, caller, body, signal, onProgress),
    ),
  );
}
