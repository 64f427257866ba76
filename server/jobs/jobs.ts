import { randomUUID } from 'node:crypto';
import type { Job } from '@plesion/contract';
import { HttpProblem, notFound } from '../http/errors';

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

/** The long work of all stations, kept in memory: what is lost with the server is begun again. */
export class Jobs {
  private readonly running = new Map<string, Running>();

  start<T>(stationId: string, work: Work<T>): { jobId: string; finished: Promise<void> } {
    const controller = new AbortController();
    const job: Job = { jobId: randomUUID(), state: 'running', progress: 0 };
    const finished = work(controller.signal, (share) => (job.progress = Math.max(job.progress, Math.min(1, share)))).then(
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
