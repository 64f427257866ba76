import { openThreads } from '../threads/threads';
import type { ShotTask } from './take';

/** Takes photographs off the thread that answers requests. */
export interface CameraPool {
  take(task: ShotTask): Promise<Uint8Array>;
  close(): Promise<void>;
}

export function openCameraPool(workerFile: string): CameraPool {
  const pool = openThreads<ShotTask, Uint8Array>(workerFile, { least: 0, most: 1 });
  return { take: (task) => pool.run(task), close: pool.close };
}
