import type { Item } from '@plesion/core/practice';
import { openThreads } from '../threads/threads';
import type { ItemsTask } from './make';

/** Makes items off the thread that answers requests. */
export interface PracticePool {
  make(task: ItemsTask): Promise<(Item | undefined)[]>;
  close(): Promise<void>;
}

export function openPracticePool(workerFile: string): PracticePool {
  const pool = openThreads<ItemsTask, (Item | undefined)[]>(workerFile, { least: 0, most: 1 });
  return { make: (task) => pool.run(task), close: pool.close };
}
