import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { changesSince } from './changes';

export function changeRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'changes', ({ em: own, caller, query }) => changesSince(own, caller.stationId, query.since ?? 0, query.limit));
}
