import type { Router } from 'express';
import type { Pool } from 'pg';
import { StationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { bind } from '../http/route';
import { notOfDemo } from '../session/ofDemo';
import { changePassword } from '../session/service';
import { endOthers, endSession, listSessions } from './sessions';
import { endToken, listTokens, makeToken } from './tokens';

export function accountRoutes(router: Router, em: () => Em, pool: Pool): void {
  bind(router, em, 'changePassword', async ({ em: own, caller, body, request }) => {
    await notOfDemo(own, caller);
    await changePassword(own, caller, body);
    await endOthers(pool, caller.personId, request.sessionID);
    return {};
  });
  bind(router, em, 'sessions', async ({ em: own, caller, request }) => {
    const sessions = await listSessions(pool, caller.personId, request.sessionID);
    const { demo } = await own.findOneOrFail(StationEntity, { id: caller.stationId });
    return { sessions: demo ? sessions.filter(({ current }) => current) : sessions };
  });
  bind(router, em, 'endSession', async ({ em: own, caller, params }) => {
    await notOfDemo(own, caller);
    await endSession(pool, caller.personId, params.id);
    return {};
  });
  bind(router, em, 'tokens', async ({ em: own, caller }) => ({ tokens: await listTokens(own, caller) }));
  bind(router, em, 'makeToken', async ({ em: own, caller, body }) => {
    await notOfDemo(own, caller);
    return makeToken(own, caller, body);
  });
  bind(router, em, 'endToken', async ({ em: own, caller, params }) => {
    await endToken(own, caller, params.id);
    return {};
  });
}
