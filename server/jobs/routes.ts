import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { Jobs } from './jobs';

export function jobRoutes(router: Router, em: () => Em, jobs: Jobs): void {
  bind(router, em, 'job', async ({ caller, params }) => jobs.find(caller.stationId, params.id));
  bind(router, em, 'cancelJob', async ({ caller, params }) => jobs.cancel(caller.stationId, params.id));
}
