import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { begun } from '../jobs/waited';

export function learnRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'learn', ({ em: own, caller, body, query, response }) =>
    begun(own, 'learn', caller, body, query.wait === 'true', response),
  );
}
