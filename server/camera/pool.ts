import { openThreads } from '../threads/threads';
import type { ShotTask, Taken } from './take';

/** Takes photographs off the thread that answers requests. */
export interface CameraPool {
  take(task: ShotTask): Promise<Taken>;
  close(): Promise<void>;
}

export function openCameraPool(workerFile: string): CameraPool {
  const pool = openThreads<ShotTask, Taken>(workerFile, { least: 0, most: 1 });
  return { take: (task) => pool.run(task), close: pool.close };
}
