import { Piscina } from 'piscina';
import type { PageTask } from './draw';

/** Draws pages off the thread that answers requests. */
export interface PagePool {
  draw(task: PageTask): Promise<Buffer>;
  close(): Promise<void>;
}

export function openPagePool(workerFile: string): PagePool {
  const pool = new Piscina<PageTask, Uint8Array>({
    filename: workerFile,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    execArgv: ['--import', 'tsx'],
  });
  return {
    draw: async (task) => Buffer.from(await pool.run(task)),
    close: () => pool.destroy(),
  };
}
