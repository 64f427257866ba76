import type { Request, Router } from 'express';
import { notOfDemo } from '../session/ofDemo';
import type { Em } from '../database/orm';
import { HttpProblem } from '../http/errors';
import { bind } from '../http/route';
import { enter } from '../session/routes';
import { callerOf, describeSession } from '../session/service';
import type { Tries } from '../session/tries';
import { type Asked, endPasskey, keepPasskey, listPasskeys, optionsToMake, optionsToShow, personOfPasskey } from './service';

declare module 'express-session' {
  interface SessionData {
    /** What a device was asked to sign, for what, and until when (milliseconds) its answer counts. */
    challenge?: { value: string; to: 'make' | 'enter'; until: number };
  }
}

const GOOD_FOR = 5 * 60 * 1000;

/** The page that asks: held against the server's own addresses before anything comes here. */
const originOf = (request: Request): string => request.get('origin') ?? `${request.protocol}://${request.get('host')}`;

const ask = (request: Request, value: string, to: 'make' | 'enter'): void => {
  request.session.challenge = { value, to, until: Date.now() + GOOD_FOR };
};

/** What was asked: each counts once. */
function askedOf(request: Request, to: 'make' | 'enter'): Asked {
  const { challenge } = request.session;
  delete request.session.challenge;
  if (challenge?.to !== to || challenge.until < Date.now())
    throw new HttpProblem(409, {
      code: 'challenge-lapsed',
      message: 'This took longer than five minutes, or was answered already. Begin again.',
    });
  return { origin: originOf(request), challenge: challenge.value };
}

export function passkeyRoutes(router: Router, em: () => Em, tries: Tries): void {
  bind(router, em, 'passkeys', async ({ em: own, caller }) => ({ passkeys: await listPasskeys(own, caller.personId) }));
  bind(router, em, 'beginPasskey', async ({ em: own, caller, request }) => {
    await notOfDemo(own, caller);
    const options = await optionsToMake(own, caller.personId, caller.accountName, originOf(request));
    ask(request, options.challenge, 'make');
    return { ...options };
  });
  bind(router, em, 'makePasskey', async ({ em: own, caller, body, request }) => {
    await notOfDemo(own, caller);
    return keepPasskey(own, caller.personId, body, askedOf(request, 'make'));
  });
  bind(router, em, 'endPasskey', async ({ em: own, caller, params }) => {
    await endPasskey(own, caller.personId, params.id);
    return {};
  });
  bind(router, em, 'askPasskey', async ({ request }) => {
    await tries.enter(request);
    const options = await optionsToShow(originOf(request));
    ask(request, options.challenge, 'enter');
    return { ...options };
  });
  bind(router, em, 'enterByPasskey', async ({ em: own, body, request }) => {
    await tries.enter(request);
    const asked = askedOf(request, 'enter');
    try {
      const caller = await callerOf(own, await personOfPasskey(own, body, asked));
      await enter(request, caller);
      return await describeSession(own, caller);
    } catch (error) {
      if (error instanceof HttpProblem && error.status === 401) await tries.wrong(request, `passkey ${body.id}`);
      throw error;
    }
  });
}
