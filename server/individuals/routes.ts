import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { findIndividual, listIndividuals, writeIndividual } from './service';

export function individualRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'individuals', async ({ em: own, caller, query }) => ({
    individuals: await listIndividuals(own, caller.stationId, query),
  }));
  bind(router, em, 'individual', ({ em: own, caller, params }) => findIndividual(own, caller.stationId, params.id));
  bind(router, em, 'writeIndividual', ({ em: own, caller, params, body }) => writeIndividual(own, caller, params.id, body));
}
