import type { Response } from 'express';
import { HttpProblem } from '../http/errors';
import type { Jobs, Work } from './jobs';

/** Begin long work: its id at once, or, where it is waited for, its result with 201. */
export async function begun<T extends object>(
  jobs: Jobs,
  stationId: string,
  wait: boolean,
  response: Response,
  work: Work<T>,
): Promise<T | { jobId: string }> {
  const { jobId, finished } = jobs.start(stationId, work);
  if (!wait) return { jobId };
  // Nobody waits any more: the work is not done for nothing.
  response.on('close', () => response.writableEnded || jobs.cancel(stationId, jobId));
  await finished;
  const job = jobs.find(stationId, jobId);
  if (job.state !== 'done') throw new HttpProblem(job.problem?.code === 'server-failed' ? 500 : 400, job.problem!);
  response.status(201);
  return job.result as T;
}
