import { type Runner, run } from 'graphile-worker';
import type { MikroORM } from '@mikro-orm/postgresql';
import type { Pool } from 'pg';
import type { Logger } from 'pino';
import { setTimeout as pause } from 'node:timers/promises';
import { sweep } from './sweep';
import type { Quotas } from '../station/quota';
import { doJob } from './do';
import { PLACES } from './pool';
import type { JobKinds, JobName } from './kinds';
import { quiet } from './workerTables';

/** Milliseconds between two looks after what other processes left, and before the worker is begun again after a fault. */
const SWEEP = 5_000;
const AGAIN = 2_000;

export interface JobWorker {
  close(): Promise<void>;
}

/** Do the long work of all stations, together with the other server processes; the database says who does what. */
export function openJobWorker(orm: MikroORM, pool: Pool, kinds: JobKinds, log: Logger, quotas?: Quotas): JobWorker {
  const closing = new AbortController();
  const em = () => orm.em.fork();
  const task = (name: JobName) => (payload: unknown) =>
    doJob(em, kinds[name], payload as { stationId: string; id: string }, closing.signal, log, quotas);
  const begin = (): Promise<Runner> =>
    run({
      pgPool: pool,
      concurrency: PLACES,
      taskList: Object.fromEntries((Object.keys(kinds) as JobName[]).map((name) => [name, task(name)])),
      noHandleSignals: true,
      logger: quiet,
    });
  const keepRunning = async () => {
    while (!closing.signal.aborted) {
      try {
        const runner = await begin();
        const stop = () => void runner.stop().catch(() => undefined);
        closing.signal.addEventListener('abort', stop, { once: true });
        await runner.promise;
      } catch (error) {
        // A database that is away is there again some time.
        log.warn({ message: (error as Error).message }, 'long work is begun again');
      }
      await pause(AGAIN, undefined, { signal: closing.signal }).catch(() => undefined);
    }
  };
  const keepSweeping = async () => {
    while (!closing.signal.aborted) {
      await sweep(em(), kinds).catch((error: Error) => log.warn({ message: error.message }, 'long work was not looked after'));
      await pause(SWEEP, undefined, { signal: closing.signal }).catch(() => undefined);
    }
  };
  const both = Promise.all([keepRunning(), keepSweeping()]);
  return {
    async close() {
      closing.abort();
      await both;
    },
  };
}
