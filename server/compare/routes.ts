import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { compareFor } from './service';

export function compareRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'compare', ({ em: own, caller, params, body }) => compareFor(own, caller.stationId, params.id, body));
}
