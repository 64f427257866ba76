import { Piscina } from 'piscina';
import { threadFile } from './threadFile';

interface Settings {
  /** Threads that are kept when there is nothing to do. */
  least: number;
  most: number;
}

/** Milliseconds after which a thread with nothing to do is let go. */
const IDLE = 60_000;

/** A thread that wants more memory is ended, and not the process with it. */
const LIMITS = { maxOldGenerationSizeMb: 2048 };

/** Threads that run one source file; begun with the first task. */
export interface Threads<Task, Result> {
  run(task: Task, options?: Parameters<Piscina['run']>[1]): Promise<Result>;
  close(): Promise<void>;
}

export function openThreads<Task, Result>(source: string, { least, most }: Settings): Threads<Task, Result> {
  let pool: Piscina<Task, Result> | undefined;
  const open = () =>
    (pool ??= new Piscina({
      filename: threadFile(source),
      minThreads: least,
      maxThreads: most,
      idleTimeout: IDLE,
      resourceLimits: LIMITS,
    }));
  return {
    run: (task, options) => open().run(task, options),
    close: async () => pool?.destroy(),
  };
}
