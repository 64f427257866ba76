import { openThreads } from '../threads/threads';
import type { PageTask } from './draw';

/** Draws pages off the thread that answers requests. */
export interface PagePool {
  draw(task: PageTask): Promise<Buffer>;
  close(): Promise<void>;
}

export function openPagePool(workerFile: string): PagePool {
  const pool = openThreads<PageTask, Uint8Array>(workerFile, { least: 0, most: 1 });
  return {
    draw: async (task) => Buffer.from(await pool.run(task)),
    close: pool.close,
  };
}
