import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { desk } from './desk';
import { listReviews, review, viewsWanted, withdrawReview } from './service';

export function reviewRoutes(router: Router, em: () => Em, pool: AnalysisPool): void {
  bind(router, em, 'desk', ({ em: own, caller, query }) => desk(own, pool, caller, query));
  bind(router, em, 'viewsWanted', async ({ em: own, caller }) => ({ wanted: await viewsWanted(own, caller) }));
  bind(router, em, 'reviews', async ({ em: own, caller, query }) => ({
    reviews: await listReviews(own, caller, query.specimenId),
  }));
  bind(router, em, 'review', ({ em: own, caller, body }) => review(own, pool, caller, body));
  bind(router, em, 'withdrawReview', ({ em: own, caller, params }) => withdrawReview(own, pool, caller, params.id));
}
