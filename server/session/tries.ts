import type { Request, RequestHandler } from 'express';
import type { Pool } from 'pg';
import { RateLimiterPostgres, RateLimiterRes } from 'rate-limiter-flexible';
import { HttpProblem } from '../http/errors';

/** Seconds that wrong tries are remembered. */
const QUARTER = 15 * 60;
/** Wrong passwords from one address; for one account from anywhere; stations made from one address. */
const LIMITS = { address: 20, account: 60, stations: 30 };

const tooMany = () =>
  new HttpProblem(429, { code: 'too-many-tries', message: 'Too many tries. Wait a quarter of an hour and try again.' });

/**
 * Wrong tries, counted in the database so that every server process knows of them. An
 * address that guesses is held off. Guesses at one account from many addresses are
 * held off too, but its own password still opens the door from an address that has
 * not been guessing: nobody is locked out by others.
 */
export function countTries(pool: Pool) {
  const limiter = (name: string, points: number) =>
    new RateLimiterPostgres({
      storeClient: pool,
      tableName: 'tries',
      tableCreated: true,
      keyPrefix: name,
      points,
      duration: QUARTER,
    });
  const limiters = {
    address: limiter('address', LIMITS.address),
    account: limiter('account', LIMITS.account),
    stations: limiter('stations', LIMITS.stations),
  };
  const addressOf = (request: Request) => request.ip ?? 'nowhere';
  const isOver = async (which: 'address' | 'account', key: string) => {
    const known = await limiters[which].get(key);
    return known !== null && known.consumedPoints >= LIMITS[which];
  };
  return {
    /** Before anything is looked at: has this address been guessing? */
    async enter(request: Request): Promise<void> {
      if (await isOver('address', addressOf(request))) throw tooMany();
    },
    /** A password was wrong. @throws 429 where the account is being guessed at from everywhere. */
    async wrong(request: Request, account: string): Promise<void> {
      const over = await isOver('account', account);
      await Promise.allSettled([limiters.address.consume(addressOf(request)), limiters.account.consume(account)]);
      if (over) throw tooMany();
    },
    /** Stations made from one address. */
    station: (async (request, _response, next) => {
      try {
        await limiters.stations.consume(addressOf(request));
        next();
      } catch (error) {
        next(error instanceof RateLimiterRes ? tooMany() : error);
      }
    }) satisfies RequestHandler,
  };
}

export type Tries = ReturnType<typeof countTries>;
