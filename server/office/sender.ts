import type { Logger } from 'pino';
import { setTimeout as pause } from 'node:timers/promises';
import type { Em } from '../database/orm';
import type { Office } from './office';
import { fetchRecoveries, sendFile } from './service';

/** Milliseconds between two rounds; a file that waits is tried again after so many seconds, and so are recoveries asked for. */
const ROUND = 5_000;
const AGAIN = 30;
const RECOVERIES = 600;
const SOME = 20;

/** Sends what waits and asks for recoveries, beside everything else; several processes do no harm to each other. */
export function openSender(em: () => Em, office: Office, log: Logger): { close(): Promise<void> } {
  const closing = new AbortController();
  let asked = 0;
  // What fails for one station does not keep the others waiting.
  const notReached = (error: Error) => log.warn({ message: error.message }, 'the ringing office was not reached');
  const round = async () => {
    const waiting = await em()
      .getConnection()
      .execute<{ station_id: string; id: string }[]>(
        `select station_id, id from office_file where state = 'waiting'
         and (tried_at is null or tried_at < now() - make_interval(secs => ?)) order by tried_at nulls first limit ?`,
        [AGAIN, SOME],
      );
    for (const { station_id: stationId, id } of waiting) await sendFile(em(), stationId, office, id).catch(notReached);
    if (Date.now() - asked < RECOVERIES * 1000) return;
    asked = Date.now();
    const stations = await em()
      .getConnection()
      .execute<{ station_id: string }[]>(`select distinct station_id from office_file where state = 'taken'`);
    for (const { station_id: stationId } of stations) await fetchRecoveries(em(), stationId, office).catch(notReached);
  };
  const rounds = (async () => {
    while (!closing.signal.aborted) {
      await round().catch(notReached);
      await pause(ROUND, undefined, { signal: closing.signal }).catch(() => undefined);
    }
  })();
  return {
    async close() {
      closing.abort();
      await rounds;
    },
  };
}
