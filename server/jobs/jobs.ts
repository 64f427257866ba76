import { randomUUID } from 'node:crypto';
import type { Job } from '@plesion/contract';
import { JobEntity, type JobRow } from '../database/entities';
import type { Em } from '../database/orm';
import { HttpProblem, notFound } from '../http/errors';
import type { Writer } from '../records/write';
import type { Asked, JobName } from './kinds';

/** What one station may have running and waiting. */
export const MOST_OF_A_STATION = 6;

/** Times that work is begun before it is given up: it may be what brings its process down. */
const MOST_TRIES = 3;

const tooMany = () =>
  new HttpProblem(429, {
    code: 'too-many-jobs',
    message: `Your station has ${MOST_OF_A_STATION} long tasks under way or waiting. Let one of them end, or cancel one, then begin this.`,
  });

/**
 * Take up long work; whichever server process is free will do it, and do it again should that one die.
 * A station's first task goes before another's second, whoever asked first.
 *
 * @returns its id.
 * @throws 429 where the station has too many.
 */
export async function startJob<N extends JobName>(
  em: Em,
  name: N,
  writer: Writer,
  asked: Asked<N>,
  id: string = randomUUID(),
): Promise<string> {
  const { stationId, accountName } = writer;
  await em.transactional(async (tx) => {
    const execute = (sql: string, values: unknown[]) =>
      tx.getConnection().execute(sql, values, 'all', tx.getTransactionContext());
    // One at a time for the station, so that two at once do not both count themselves the last.
    await execute('select id from station where id = ? for update', [stationId]);
    const own = await tx.count(JobEntity, { stationId, state: 'running' });
    if (own >= MOST_OF_A_STATION) throw tooMany();
    await tx.insert(JobEntity, { stationId, id, kind: name, accountName, asked, state: 'running', progress: 0 });
    await execute('select graphile_worker.add_job(?, ?::json, priority := ?, max_attempts := ?, job_key := ?)', [
      name,
      JSON.stringify({ stationId, id }),
      own,
      MOST_TRIES,
      id,
    ]);
  });
  return id;
}

export async function findJob(em: Em, stationId: string, id: string): Promise<Job> {
  const row = await em.findOne(JobEntity, { stationId, id }, { exclude: ['asked'], disableIdentityMap: true });
  if (!row) throw notFound('job');
  return jobOf(row);
}

/** Told to stop; what had ended stays as it was. The process that does it hears of it with its next beat. */
export async function cancelJob(em: Em, stationId: string, id: string): Promise<Job> {
  await em.nativeUpdate(JobEntity, { stationId, id, state: 'running' }, { ...ENDED(), state: 'cancelled' });
  return findJob(em, stationId, id);
}

/** What an end sets: what was asked is not kept. */
export const ENDED = () => ({ asked: null, endedAt: new Date() });

const jobOf = ({ id, state, progress, result, problem }: Omit<JobRow, 'asked'>): Job => ({
  jobId: id,
  state,
  progress,
  ...(result == null ? {} : { result }),
  ...(problem == null ? {} : { problem }),
});
