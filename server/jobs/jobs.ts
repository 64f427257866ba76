import { randomUUID } from 'node:crypto';
import type { Job } from '@plesion/contract';
import { HttpProblem, notFound } from '../http/errors';
import { FairQueue } from '../threads/fairQueue';

/** Long work: does it until done or told to stop, and tells how far it is. */
export type Work<T> = (signal: AbortSignal, onProgress: (share: number) => void) => Promise<T>;

interface Running {
  job: Job;
  stationId: string;
  controller: AbortController;
  finished: Promise<void>;
}

/** Finished jobs kept to be asked for. */
const KEPT = 200;

/** Jobs under way at once, of all stations; and what one station may have running and waiting. */
const PLACES = 2;
const MOST_OF_A_STATION = 6;

const tooMany = () =>
  new HttpProblem(429, {
    code: 'too-many-jobs',
    message: `Your station has ${MOST_OF_A_STATION} long tasks under way or waiting. Let one of them end, or cancel one, then begin this.`,
  });

/** The long work of all stations, kept in memory: what is lost with the server is begun again. */
export class Jobs {
  private readonly running = new Map<string, Running>();
  private readonly queue = new FairQueue(PLACES);

  /** @throws 429 where the station has too many. */
  start<T>(stationId: string, work: Work<T>): { jobId: string; finished: Promise<void> } {
    const own = [...this.running.values()].filter((one) => one.stationId === stationId && one.job.state === 'running');
    if (own.length >= MOST_OF_A_STATION) throw tooMany();
    const controller = new AbortController();
    const job: Job = { jobId: randomUUID(), state: 'running', progress: 0 };
    const { signal } = controller;
    const onProgress = (share: number) => (job.progress = Math.max(job.progress, Math.min(1, share)));
    const begin = async () => {
      // Told to stop while it waited for its turn.
      signal.throwIfAborted();
      return work(signal, onProgress);
    };
    const finished = this.queue.run(stationId, begin).then(
      (result) => {
        if (job.state === 'running') Object.assign(job, { state: 'done', progress: 1, result });
      },
      (error: unknown) => {
        if (job.state === 'running') Object.assign(job, { state: 'failed', problem: problemOf(error) });
      },
    );
    this.running.set(job.jobId, { job, stationId, controller, finished });
    this.forget();
    return { jobId: job.jobId, finished };
  }

  find(stationId: string, jobId: string): Job {
    const known = this.running.get(jobId);
    if (!known || known.stationId !== stationId) throw notFound('job');
    return known.job;
  }

  cancel(stationId: string, jobId: string): Job {
    const job = this.find(stationId, jobId);
    if (job.state === 'running') {
      job.state = 'cancelled';
      this.running.get(jobId)!.controller.abort();
    }
    return job;
  }

  close(): void {
    for (const { controller } of this.running.values()) controller.abort();
  }

  private forget(): void {
    for (const [id, { job }] of this.running) {
      if (this.running.size <= KEPT) return;
      if (job.state !== 'running') this.running.delete(id);
    }
  }
}

function problemOf(error: unknown) {
  if (error instanceof HttpProblem) return error.body;
  return { code: 'server-failed', message: 'Something failed in the server. Nothing was saved; try again.' };
}
