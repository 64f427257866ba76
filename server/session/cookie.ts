import connectPgSimple from 'connect-pg-simple';
import type { RequestHandler } from 'express';
import session from 'express-session';
import type { Pool } from 'pg';
import type { Caller } from '../http/route';

declare module 'express-session' {
  interface SessionData {
    /** Whose it is; what they are is looked up each time. */
    caller: Pick<Caller, 'accountId' | 'stationId'> & { personId?: string };
    /** Since when, and what the browser called itself: so that a person can tell sessions apart. */
    since: string;
    device: string;
    /** The last day it was used on: so long it lasts from then on. */
    usedOn: string;
  }
}

const MONTH = 30 * 24 * 60 * 60 * 1000;

/** Over TLS the browser itself sees to it that no other host and no plain connection sets it (RFC 6265bis, `__Host-`). */
export const cookieName = (secure: boolean): string => (secure ? '__Host-plesion' : 'plesion.session');

/**
 * Sessions in PostgreSQL; the cookie is out of reach of scripts and not sent across sites.
 * A session that is used is lengthened once a day: to write at every request would make
 * all that one person asks for wait for one row.
 */
export function sessionCookie(pool: Pool, secret: string, secure: boolean): RequestHandler[] {
  const Store = connectPgSimple(session);
  const kept = session({
    name: cookieName(secure),
    secret,
    resave: false,
    saveUninitialized: false,
    store: new Store({ pool, tableName: 'session', pruneSessionInterval: 3600, disableTouch: true }),
    cookie: { httpOnly: true, sameSite: 'lax', secure: secure || 'auto', maxAge: MONTH },
  });
  const lengthened: RequestHandler = ({ session: own }, _response, next) => {
    const today = new Date().toISOString().slice(0, 10);
    if (own?.caller && own.usedOn !== today) own.usedOn = today;
    next();
  };
  return [kept, lengthened];
}
