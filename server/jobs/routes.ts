import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { cancelJob, findJob } from './jobs';

export function jobRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'job', ({ em: own, caller, params }) => findJob(own, caller.stationId, params.id));
  bind(router, em, 'cancelJob', ({ em: own, caller, params }) => cancelJob(own, caller.stationId, params.id));
}
