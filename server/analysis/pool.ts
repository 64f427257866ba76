import { availableParallelism } from 'node:os';
import type { QuestionName, Questions, Reply, Request } from '@plesion/core/analysis';
import { ask } from '@plesion/core/analysis/ask';
import type { Guide } from '@plesion/core/guide';
import { Piscina } from 'piscina';
import { HttpProblem } from '../http/errors';

const tooSlow = () =>
  new HttpProblem(503, {
    code: 'too-slow',
    message: 'The weighing took too long and was stopped. Send fewer readings, or try again; nothing was saved.',
  });

/** Weighs, compares and walks off the thread that answers requests. */
export interface AnalysisPool {
  ask<N extends QuestionName>(
    name: N,
    asked: Questions[N]['asks'],
    guide?: { guide: Guide; hash: string },
  ): Promise<Questions[N]['gives']>;
  close(): Promise<void>;
}

/** Longer than any weighing takes, in milliseconds: the thread of one that goes on is ended. */
const LONGEST = 20_000;

export function openAnalysisPool(
  workerFile: string,
  threads = Math.max(1, availableParallelism() - 1),
  longest = LONGEST,
): AnalysisPool {
  const pool = new Piscina<Request, Reply>({
    filename: workerFile,
    minThreads: 1,
    maxThreads: threads,
    execArgv: ['--import', 'tsx'],
  });
  const send = async <N extends QuestionName>(request: Request<N>): Promise<Reply<N>> => {
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
    ask: (name, asked, guide) => ask(send, name, asked, guide && { guide: guide.guide, hash: guide.hash }),
    close: () => pool.destroy(),
  };
}
