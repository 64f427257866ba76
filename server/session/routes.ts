import type { Request, Router } from 'express';
import type { Em } from '../database/orm';
import { bind, type Caller } from '../http/route';
import { cookieName } from './cookie';
import { notOfDemo } from './ofDemo';
import { changeStation, describeSession, makeFurtherStation, makeStation, signIn, wrongPassword } from './service';
import type { Tries } from './tries';

/** As much of a browser's name as is kept, in characters. */
const LONGEST_DEVICE = 200;

const done = (work: (callback: (error?: Error) => void) => void) =>
  new Promise<void>((resolve, reject) => work((error) => (error ? reject(error) : resolve())));

/** A new session id at each sign-in, so that one planted before is worth nothing. */
export async function enter(request: Request, caller: Caller): Promise<void> {
  await done((callback) => request.session.regenerate(callback));
  request.session.caller = { accountId: caller.accountId, stationId: caller.stationId, personId: caller.personId };
  request.session.since = new Date().toISOString();
  request.session.device = (request.get('user-agent') ?? '').slice(0, LONGEST_DEVICE);
  await done((callback) => request.session.save(callback));
}

export function sessionRoutes(router: Router, em: () => Em, tries: Tries, secure: boolean): void {
  router.post('/api/stations', tries.station);
  bind(router, em, 'signIn', async ({ body, em: own, request }) => {
    await tries.enter(request);
    const caller = await signIn(own, body.name, body.password);
    if (!caller) {
      await tries.wrong(request, body.name.toLowerCase());
      throw wrongPassword();
    }
    await enter(request, caller);
    return describeSession(own, caller);
  });
  bind(router, em, 'makeStation', async ({ body, em: own, request }) => {
    const caller = await makeStation(own, body);
    await enter(request, caller);
    return describeSession(own, caller);
  });
  bind(router, em, 'changeStation', async ({ body, em: own, caller, request }) => {
    const there = await changeStation(own, caller, body.stationId);
    await enter(request, there);
    return describeSession(own, there);
  });
  router.post('/api/session/stations', tries.station);
  bind(router, em, 'makeFurtherStation', async ({ body, em: own, caller, request }) => {
    await notOfDemo(own, caller);
    const there = await makeFurtherStation(own, caller, body.station);
    await enter(request, there);
    return describeSession(own, there);
  });
  bind(router, em, 'session', ({ em: own, caller }) => describeSession(own, caller));
  bind(router, em, 'signOut', async ({ request, response }) => {
    await new Promise<void>((resolve) => (request.session ? request.session.destroy(() => resolve()) : resolve()));
    response.clearCookie(cookieName(secure), { path: '/', secure });
    return {};
  });
}
