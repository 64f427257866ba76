import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import type { AnalysisPool } from '../analysis/pool';
import { putFirstLook } from './service';

export function firstLookRoutes(router: Router, em: () => Em, weighing: AnalysisPool): void {
  bind(router, em, 'firstLook', ({ em: own, caller }) => putFirstLook(own, weighing, caller));
}
