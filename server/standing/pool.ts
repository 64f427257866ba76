import { availableParallelism } from 'node:os';
import type { WeighAnswer, WeighRequest } from '@plesion/core/analysis';
import type { Standing } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { Piscina } from 'piscina';
import { HttpProblem } from '../http/errors';

const tooSlow = () =>
  new HttpProblem(503, {
    code: 'too-slow',
    message: 'The weighing took too long and was stopped. Send fewer readings, or try again; nothing was saved.',
  });

export interface Weighing extends Omit<WeighRequest, 'guide'> {
  guide: Guide;
}

/** Weighs readings off the thread that answers requests. */
export interface WeighPool {
  weigh(request: Weighing): Promise<Standing>;
  close(): Promise<void>;
}

/** Longer than any weighing takes, in milliseconds: the thread of one that goes on is ended. */
const LONGEST = 20_000;

export function openWeighPool(
  workerFile: string,
  threads = Math.max(1, availableParallelism() - 1),
  longest = LONGEST,
): WeighPool {
  const pool = new Piscina<WeighRequest, WeighAnswer>({
    filename: workerFile,
    minThreads: 1,
    maxThreads: threads,
    execArgv: ['--import', 'tsx'],
  });
  const run = async (request: WeighRequest): Promise<WeighAnswer> => {
    const limit = new AbortController();
    const timer = setTimeout(() => limit.abort(), longest);
    try {
      return await pool.run(request, { signal: limit.signal });
    } catch (error) {
      throw limit.signal.aborted ? tooSlow() : error;
    } finally {
      clearTimeout(timer);
    }
  };
  return {
    async weigh({ guide, ...request }) {
      // A thread that has seen the guide needs only its hash; another asks for it once.
      const first = await run(request);
      const answer = first.known ? first : await run({ ...request, guide });
      if (!answer.known) throw new Error('The weighing thread did not take the guide.');
      return answer.assessment;
    },
    close: () => pool.destroy(),
  };
}
