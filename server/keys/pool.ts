import type { Guide } from '@plesion/core/guide';
import type { makeKey, MakeRequest } from '@plesion/core/keys';
import { type JobPool, openJobPool } from '../jobs/pool';

export interface KeyTask {
  guide: Guide;
  asked: MakeRequest;
}

/** Makes keys in a thread. */
export type KeyPool = JobPool<KeyTask, ReturnType<typeof makeKey>>;

export const openKeyPool = (workerFile: string): KeyPool => openJobPool(workerFile);
