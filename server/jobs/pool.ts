import { MessageChannel } from 'node:worker_threads';
import { openThreads } from '../threads/threads';

/** What a job's thread is given: the request, and where it tells how far it is. */
export interface JobTask<Request> {
  request: Request;
  port: MessagePort;
}

/** Jobs that one process does at once. */
export const PLACES = 2;

/** Does long work off the thread that answers requests; told to stop, its thread is ended. */
export interface JobPool<Request, Result> {
  run(request: Request, signal: AbortSignal, onProgress: (share: number) => void): Promise<Result>;
  close(): Promise<void>;
}

export function openJobPool<Request, Result>(workerFile: string): JobPool<Request, Result> {
  // As many as there are jobs at once: what waited behind a thread that is ended would wait for good.
  const pool = openThreads<JobTask<Request>, Result>(workerFile, { least: 0, most: PLACES });
  return {
    async run(request, signal, onProgress) {
      const { port1, port2 } = new MessageChannel();
      port1.on('message', onProgress);
      try {
        return await pool.run({ request, port: port2 as unknown as MessagePort }, { signal, transferList: [port2] });
      } finally {
        port1.close();
      }
    },
    close: pool.close,
  };
}
