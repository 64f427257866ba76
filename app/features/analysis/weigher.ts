import type { QuestionName, Questions, Reply, Request } from '@plesion/core/analysis';
import { ask } from '@plesion/core/analysis/ask';
import type { Guide } from '@plesion/core/guide';
import { endWorker, weighWorker } from './weighWorker';

/** Longer than any weighing takes, in milliseconds: one that goes on is stopped. */
const LONGEST = 20_000;

interface Waiting {
  resolve: (answer: Reply) => void;
  reject: (error: Error) => void;
  limit: ReturnType<typeof setTimeout>;
}

/** The worker whose answers are taken. */
let heard: Worker | undefined;
let count = 0;
const waiting = new Map<number, Waiting>();

/** Who waits for an answer, once. */
function take(number: number): Waiting | undefined {
  const one = waiting.get(number);
  waiting.delete(number);
  if (one) clearTimeout(one.limit);
  return one;
}

function send(request: Request): Promise<Reply> {
  const worker = weighWorker();
  if (worker !== heard) {
    heard = worker;
    worker.onmessage = ({ data }: MessageEvent<{ number: number; answer: Reply }>) => take(data.number)?.resolve(data.answer);
    worker.onerror = () => stop('The weighing stopped. Reload the page; nothing is lost.');
  }
  const number = ++count;
  return new Promise((resolve, reject) => {
    const limit = setTimeout(
      () => stop('The weighing took too long and was stopped; nothing is lost. Take back the last reading, or reload.'),
      LONGEST,
    );
    waiting.set(number, { resolve, reject, limit });
    worker.postMessage({ number, request });
  });
}

/** Everybody who waits is told why; the next request begins with a new worker. */
function stop(why: string): void {
  endWorker();
  for (const number of [...waiting.keys()]) take(number)?.reject(new Error(why));
}

/** Ask the web worker; the guide is sent to it once. */
export const askWorker = <N extends QuestionName>(
  name: N,
  asked: Questions[N]['asks'],
  known: { guide: Guide; hash: string },
): Promise<Questions[N]['gives']> => ask((request) => send(request as Request) as Promise<Reply<N>>, name, asked, known);
