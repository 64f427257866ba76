import { MessageChannel } from 'node:worker_threads';
import type { learn, LearnRequest } from '@plesion/core/learn';
import { Piscina } from 'piscina';

export type Learned = ReturnType<typeof learn>;

/** Learns guides off the thread that answers requests; told to stop, its thread is ended. */
export interface LearnPool {
  learn(request: LearnRequest, signal: AbortSignal, onProgress: (share: number) => void): Promise<Learned>;
  close(): Promise<void>;
}

export function openLearnPool(workerFile: string): LearnPool {
  const pool = new Piscina<{ request: LearnRequest; port: MessagePort }, Learned>({
    filename: workerFile,
    minThreads: 0,
    maxThreads: 1,
    idleTimeout: 60_000,
    execArgv: ['--import', 'tsx'],
  });
  return {
    async learn(request, signal, onProgress) {
      const { port1, port2 } = new MessageChannel();
      port1.on('message', onProgress);
      try {
        return await pool.run({ request, port: port2 as unknown as MessagePort }, { signal, transferList: [port2] });
      } finally {
        port1.close();
      }
    },
    close: () => pool.destroy(),
  };
}
