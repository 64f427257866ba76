import type { learn, LearnRequest } from '@plesion/core/learn';
import { type JobPool, openJobPool } from '../jobs/pool';

/** Learns guides in a thread. */
export type LearnPool = JobPool<LearnRequest, ReturnType<typeof learn>>;

export const openLearnPool = (workerFile: string): LearnPool => openJobPool(workerFile);
