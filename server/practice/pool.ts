import { openThreads } from '../threads/threads';
import type { ItemsTask, Made } from './make';

/** Makes items off the thread that answers requests. */
export interface PracticePool {
  make(task: ItemsTask): Promise<(Made | undefined)[]>;
  close(): Promise<void>;
}

export function openPracticePool(workerFile: string): PracticePool {
  const pool = openThreads<ItemsTask, (Made | undefined)[]>(workerFile, { least: 0, most: 1 });
  return { make: (task) => pool.run(task), close: pool.close };
}
