import type { Router } from 'express';
import type { Pool } from 'pg';
import { StationEntity } from '../database/entities';
import type { Em } from '../database/orm';
import { HttpProblem } from '../http/errors';
import { bind, type Caller } from '../http/route';
import { changePassword } from '../session/service';
import { endOthers, endSession, listSessions } from './sessions';
import { endToken, listTokens, makeToken } from './tokens';

/** The demo’s account is everybody’s: nobody may close it to the others, or leave a way in behind. */
export async function notOfDemo(em: Em, { stationId }: Caller): Promise<void> {
  const { demo } = await em.findOneOrFail(StationEntity, { id: stationId });
  if (!demo) return;
  throw new HttpProblem(403, {
    code: 'demo-account',
    message: 'The demo’s account is everybody’s and stays as it is. Make a station of your own for that.',
  });
}

export function accountRoutes(router: Router, em: () => Em, pool: Pool): void {
  bind(router, em, 'changePassword', async ({ em: own, caller, body, request }) => {
    await notOfDemo(own, caller);
    await changePassword(own, caller, body);
    await endOthers(pool, caller.accountId, request.sessionID);
    return {};
  });
  bind(router, em, 'sessions', async ({ em: own, caller, request }) => {
    const sessions = await listSessions(pool, caller.accountId, request.sessionID);
    const { demo } = await own.findOneOrFail(StationEntity, { id: caller.stationId });
    return { sessions: demo ? sessions.filter(({ current }) => current) : sessions };
  });
  bind(router, em, 'endSession', async ({ em: own, caller, params }) => {
    await notOfDemo(own, caller);
    await endSession(pool, caller.accountId, params.id);
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
