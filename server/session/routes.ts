import type { Request, Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { Em } from '../database/orm';
import { bind, type Caller } from '../http/route';
import { describeSession, makeStation, signIn } from './service';

/** Wrong passwords allowed from one address in a quarter of an hour, and stations made. */
const LIMITS = { signIn: 20, station: 30 };

const limited = (limit: number, skipSuccessfulRequests: boolean) =>
  rateLimit({
    windowMs: 15 * 60 * 1000,
    limit,
    skipSuccessfulRequests,
    standardHeaders: 'draft-8',
    legacyHeaders: false,
    message: { code: 'too-many-tries', message: 'Too many tries. Wait a quarter of an hour and try again.' },
  });

const done = (work: (callback: (error?: Error) => void) => void) =>
  new Promise<void>((resolve, reject) => work((error) => (error ? reject(error) : resolve())));

/** A new session id at each sign-in, so that one planted before is worth nothing. */
async function enter(request: Request, caller: Caller): Promise<void> {
  await done((callback) => request.session.regenerate(callback));
  request.session.caller = caller;
  await done((callback) => request.session.save(callback));
}

export function sessionRoutes(router: Router, em: () => Em): void {
  router.post('/api/session', limited(LIMITS.signIn, true));
  router.post('/api/stations', limited(LIMITS.station, false));
  bind(router, em, 'signIn', async ({ body, em: own, request }) => {
    const caller = await signIn(own, body.name, body.password);
    await enter(request, caller);
    return describeSession(own, caller);
  });
  bind(router, em, 'makeStation', async ({ body, em: own, request }) => {
    const caller = await makeStation(own, body);
    await enter(request, caller);
    return describeSession(own, caller);
  });
  bind(router, em, 'session', ({ em: own, caller }) => describeSession(own, caller));
  bind(router, em, 'signOut', async ({ request, response }) => {
    await new Promise<void>((resolve) => (request.session ? request.session.destroy(() => resolve()) : resolve()));
    response.clearCookie('plesion.session');
    return {};
  });
}
