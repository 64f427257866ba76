import { z } from 'zod';
import { ProblemBody } from './problem';

/** Long work was taken up; ask `/api/jobs/:id` how far it is. */
export const JobStarted = z.object({ jobId: z.uuid() });
export type JobStarted = z.output<typeof JobStarted>;

export const Job = z.object({
  jobId: z.uuid(),
  state: z.enum(['running', 'done', 'failed', 'cancelled']),
  /** Share done, 0..1. */
  progress: z.number().min(0).max(1),
  /** What the work gave; its shape is that of the endpoint that began it. */
  result: z.unknown().optional(),
  problem: ProblemBody.optional(),
});
export type Job = z.output<typeof Job>;
