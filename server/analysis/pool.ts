import { availableParallelism } from 'node:os';
import type { QuestionName, Questions, Reply, Request } from '@plesion/core/analysis';
import { ask } from '@plesion/core/analysis/ask';
import type { Guide } from '@plesion/core/guide';
import { HttpProblem } from '../http/errors';
import { FairQueue } from '../threads/fairQueue';
import { openThreads } from '../threads/threads';

const tooSlow = () =>
  new HttpProblem(503, {
    code: 'too-slow',
    message: 'This took too long and was stopped. Send less at once, or try again; nothing was saved.',
  });

/** Weighs, compares, walks, reads and writes keys off the thread that answers requests, for the stations in turn. */
export interface AnalysisPool {
  ask<N extends QuestionName>(
    /** Station that asks. */
    station: string,
    name: N,
    asked: Questions[N]['asks'],
    guide?: { guide: Guide; hash: string },
  ): Promise<Questions[N]['gives']>;
  /** How many wait for a thread. */
  waiting(): number;
  close(): Promise<void>;
}

/** Longer than anything asked takes, in milliseconds: the thread of one that goes on is ended. */
const LONGEST = 20_000;

export function openAnalysisPool(workerFile: string, threads = availableParallelism(), longest = LONGEST): AnalysisPool {
  const pool = openThreads<Request, Reply>(workerFile, { least: 1, most: threads });
  const queue = new FairQueue(threads);
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
    ask: (station, name, asked, guide) =>
      ask((request) => queue.run(station, () => send(request)), name, asked, guide && { guide: guide.guide, hash: guide.hash }),
    waiting: () => queue.waiting,
    close: pool.close,
  };
}
