import connectPgSimple from 'connect-pg-simple';
import session from 'express-session';
import type { Pool } from 'pg';
import type { Caller } from '../http/route';

declare module 'express-session' {
  interface SessionData {
    caller: Caller;
    /** Since when, and what the browser called itself: so that a person can tell sessions apart. */
    since: string;
    device: string;
  }
}

const MONTH = 30 * 24 * 60 * 60 * 1000;

/** Over TLS the browser itself sees to it that no other host and no plain connection sets it (RFC 6265bis, `__Host-`). */
export const cookieName = (secure: boolean): string => (secure ? '__Host-plesion' : 'plesion.session');

/** Sessions in PostgreSQL; the cookie is out of reach of scripts and not sent across sites. */
export function sessionCookie(pool: Pool, secret: string, secure: boolean) {
  const Store = connectPgSimple(session);
  return session({
    name: cookieName(secure),
    secret,
    resave: false,
    saveUninitialized: false,
    rolling: true,
    store: new Store({ pool, tableName: 'session', pruneSessionInterval: 3600 }),
    cookie: { httpOnly: true, sameSite: 'lax', secure: secure || 'auto', maxAge: MONTH },
  });
}
