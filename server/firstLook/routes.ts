import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { Parts } from '../parts';
import { putFirstLook } from './service';

export function firstLookRoutes(router: Router, em: () => Em, parts: Pick<Parts, 'files' | 'weighing'>): void {
  bind(router, em, 'firstLook', ({ em: own, caller }) => putFirstLook(own, parts, caller));
}
