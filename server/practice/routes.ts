import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { listVerifiedPhotos } from './photos';
import type { PracticePool } from './pool';
import { itemsFor, keepAnswers } from './service';
import { practiceStanding } from './standing';

export function practiceRoutes(router: Router, em: () => Em, pool: PracticePool): void {
  bind(router, em, 'practiceItems', ({ em: own, caller, body }) => itemsFor(own, pool, caller.stationId, body));
  bind(router, em, 'practiceAnswers', ({ em: own, caller, body }) => keepAnswers(own, pool, caller, body.answers));
  bind(router, em, 'practicePhotos', async ({ em: own, caller, query }) => ({
    photos: await listVerifiedPhotos(own, caller.stationId, query.guideId),
  }));
  bind(router, em, 'practiceStanding', ({ em: own, caller }) => practiceStanding(own, pool, caller));
}
