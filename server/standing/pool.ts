import { availableParallelism } from 'node:os';
import type { WeighAnswer, WeighRequest } from '@plesion/core/analysis';
import type { Assessment } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { Piscina } from 'piscina';

export interface Weighing extends Omit<WeighRequest, 'guide'> {
  guide: Guide;
}

/** Weighs readings off the thread that answers requests. */
export interface WeighPool {
  weigh(request: Weighing): Promise<Assessment>;
  close(): Promise<void>;
}

export function openWeighPool(workerFile: string, threads = Math.max(1, availableParallelism() - 1)): WeighPool {
  const pool = new Piscina<WeighRequest, WeighAnswer>({
    filename: workerFile,
    minThreads: 1,
    maxThreads: threads,
    execArgv: ['--import', 'tsx'],
  });
  return {
    async weigh({ guide, ...request }) {
      // A thread that has seen the guide needs only its hash; another asks for it once.
      const first = await pool.run(request);
      const answer = first.known ? first : await pool.run({ ...request, guide });
      if (!answer.known) throw new Error('The weighing thread did not take the guide.');
      return answer.assessment;
    },
    close: () => pool.destroy(),
  };
}
