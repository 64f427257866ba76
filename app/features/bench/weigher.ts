import type { WeighAnswer, WeighRequest } from '@plesion/core/analysis';
import type { Assessment } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';

let worker: Worker | undefined;
let count = 0;
const waiting = new Map<number, { resolve: (answer: WeighAnswer) => void; reject: (error: Error) => void }>();

function ask(request: WeighRequest): Promise<WeighAnswer> {
  if (!worker) {
    worker = new Worker(new URL('./weigh.worker', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<{ number: number; answer: WeighAnswer }>) => {
      waiting.get(data.number)?.resolve(data.answer);
      waiting.delete(data.number);
    };
    worker.onerror = () => {
      for (const { reject } of waiting.values()) reject(new Error('The weighing stopped. Reload the page; nothing is lost.'));
      waiting.clear();
      worker = undefined;
    };
  }
  const number = ++count;
  return new Promise((resolve, reject) => {
    waiting.set(number, { resolve, reject });
    worker!.postMessage({ number, request });
  });
}

/** Weigh readings in the web worker; the guide is sent to it once. */
export async function weigh(request: Omit<WeighRequest, 'guide'>, guide: Guide): Promise<Assessment> {
  const first = await ask(request);
  const answer = first.known ? first : await ask({ ...request, guide });
  if (!answer.known) throw new Error('The weighing did not take the guide.');
  return answer.assessment;
}
