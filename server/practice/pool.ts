import type { Memory, Seen } from '@plesion/core/practice';
import { openThreads } from '../threads/threads';
import type { ItemsTask, Made } from './make';

/** What is done off the thread that answers requests. */
export type PracticeTask = { items: ItemsTask } | { seen: Seen[] };

export interface PracticePool {
  make(task: ItemsTask): Promise<(Made | undefined)[]>;
  /** What is remembered of answers, in the order in which they were given: some thousands take a second. */
  remember(seen: Seen[]): Promise<Memory[]>;
  close(): Promise<void>;
}

export function openPracticePool(workerFile: string): PracticePool {
  const pool = openThreads<PracticeTask, unknown>(workerFile, { least: 0, most: 1 });
  return {
    make: async (items) => (await pool.run({ items })) as (Made | undefined)[],
    remember: async (seen) => (await pool.run({ seen })) as Memory[],
    close: pool.close,
  };
}
