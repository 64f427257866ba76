import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { removeStockAnswer, stockAnswers, writeStockAnswer } from './service';

export function answerRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'stockAnswers', ({ em: own, caller, query }) => stockAnswers(own, pool, caller, query.guideId));
  bind(router, em, 'writeStockAnswer', ({ em: own, caller, params, body }) => writeStockAnswer(own, caller, params.id, body));
  bind(router, em, 'removeStockAnswer', async ({ em: own, caller, params }) => {
    await removeStockAnswer(own, caller, params.id);
    return {};
  });
}
