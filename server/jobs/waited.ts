import type { Response } from 'express';
import { setTimeout as pause } from 'node:timers/promises';
import type { Em } from '../database/orm';
import { HttpProblem } from '../http/errors';
import type { Writer } from '../records/write';
import { cancelJob, findJob, startJob } from './jobs';
import type { Asked, Given, JobName } from './kinds';

/** Milliseconds between two looks at work that is waited for. */
const LOOK = 150;

/** Begin long work: its id at once, or, where it is waited for, its result with 201. */
export async function begun<N extends JobName>(
  em: Em,
  name: N,
  writer: Writer,
  asked: Asked<N>,
  wait: boolean,
  response: Response,
): Promise<Given<N> | { jobId: string }> {
  const { stationId } = writer;
  const jobId = await startJob(em, name, writer, asked);
  if (!wait) return { jobId };
  let gone = false;
  response.once('close', () => (gone = true));
  for (;;) {
    // Nobody waits any more: the work is not done for nothing.
    if (gone) await cancelJob(em, stationId, jobId);
    const job = await findJob(em, stationId, jobId);
    if (job.state === 'running') {
      await pause(LOOK);
      continue;
    }
    if (job.state !== 'done') throw new HttpProblem(job.problem?.code === 'server-failed' ? 500 : 400, job.problem ?? stopped());
    response.status(201);
    return job.result as Given<N>;
  }
}

const stopped = () => ({ code: 'cancelled', message: 'This was cancelled before it was done. Nothing was saved.' });
