import type { LearnAnswer } from '@plesion/contract';
import type { Router } from 'express';
import type { Em } from '../database/orm';
import { HttpProblem } from '../http/errors';
import { bind } from '../http/route';
import type { Jobs } from '../jobs/jobs';
import type { LearnPool } from './pool';
import { learnGuide } from './service';

export function learnRoutes(router: Router, em: () => Em, pool: LearnPool, jobs: Jobs): void {
  bind(router, em, 'learn', async ({ em: own, caller, body, query, response }) => {
    const { jobId, finished } = jobs.start(caller.stationId, (signal, onProgress) =>
      learnGuide(own, pool, caller.stationId, body, signal, onProgress),
    );
    if (query.wait !== 'true') return { jobId };
    // Nobody waits any more: the work is not done for nothing.
    response.on('close', () => response.writableEnded || jobs.cancel(caller.stationId, jobId));
    await finished;
    const job = jobs.find(caller.stationId, jobId);
    if (job.state !== 'done') throw new HttpProblem(job.problem?.code === 'server-failed' ? 500 : 400, job.problem!);
    response.status(201);
    return job.result as LearnAnswer;
  });
}
