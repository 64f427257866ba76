import type { Router } from 'express';
import type { AnalysisPool } from '../analysis/pool';
import type { Em } from '../database/orm';
import type { FileStore } from '../files/store';
import { bind } from '../http/route';
import type { Tries } from '../session/tries';
import { agreement } from './agreement';
import { blindRecord } from './blind';
import { giveLinked, linked, linkedPhoto, linkOpinion, unlinkOpinion } from './links';
import { asked, askOpinion, decide, giveOpinion, listAsks, listWaiting, withdrawAsk } from './service';

export function opinionRoutes(
  router: Router,
  em: () => Em,
  { files, pool, tries }: { files: FileStore; pool: AnalysisPool; tries: Tries },
): void {
  bind(router, em, 'asks', async ({ em: own, caller, query }) => ({ asks: await listAsks(own, pool, caller, query.specimenId) }));
  bind(router, em, 'askOpinion', ({ em: own, caller, body }) => askOpinion(own, pool, caller, body));
  bind(router, em, 'opinionsWaiting', async ({ em: own, caller }) => ({ waiting: await listWaiting(own, caller) }));
  bind(router, em, 'opinionAgreement', ({ em: own, caller, query }) => agreement(own, caller, query.guideId));
  bind(router, em, 'blindRecord', async ({ em: own, caller, params }) => {
    const { ask, given } = await asked(own, caller, params.id);
    return blindRecord(own, ask, given, false);
  });
  bind(router, em, 'giveOpinion', ({ em: own, caller, params, body }) => giveOpinion(own, pool, caller, params.id, body));
  bind(router, em, 'decideOpinions', ({ em: own, caller, params, body }) => decide(own, pool, caller, params.id, body.why));
  bind(router, em, 'withdrawAsk', ({ em: own, caller, params }) => withdrawAsk(own, pool, caller, params.id));
  bind(router, em, 'linkOpinion', ({ em: own, caller, params }) => linkOpinion(own, caller, params.id));
  bind(router, em, 'unlinkOpinion', async ({ em: own, caller, params }) => {
    await unlinkOpinion(own, caller, params.id);
    return {};
  });
  bind(router, em, 'linkedRecord', async ({ em: own, params, request }) => {
    await tries.enter(request);
    return blindRecord(own, await linked(own, params.token), undefined, true);
  });
  bind(router, em, 'linkedPhoto', ({ em: own, params }) => linkedPhoto(own, files, params.token, params.hash));
  bind(router, em, 'giveLinkedOpinion', async ({ em: own, params, body, request }) => {
    await tries.enter(request);
    await giveLinked(own, params.token, body);
    return {};
  });
}
