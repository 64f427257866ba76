import type { Router } from 'express';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { conversation, conversationsWaiting, remark, resolveThread, withdrawRemark } from './service';

export function conversationRoutes(router: Router, em: () => Em): void {
  bind(router, em, 'conversation', async ({ em: own, caller, query }) => ({
    threads: await conversation(own, caller, query.specimenId),
  }));
  bind(router, em, 'conversationsWaiting', async ({ em: own, caller }) => ({ waiting: await conversationsWaiting(own, caller) }));
  bind(router, em, 'remark', ({ em: own, caller, body }) => remark(own, caller, body));
  bind(router, em, 'resolveThread', ({ em: own, caller, params, body }) => resolveThread(own, caller, params.id, body.resolved));
  bind(router, em, 'withdrawRemark', ({ em: own, caller, params }) => withdrawRemark(own, caller, params.id));
}
