import { weigh, type WeighAnswer, type WeighRequest } from '@plesion/core/analysis';

/** One request at a time from the page; the number tells the answers apart. */
self.addEventListener('message', (event: MessageEvent<{ number: number; request: WeighRequest }>) => {
  const { number, request } = event.data;
  const answer: WeighAnswer = weigh(request);
  self.postMessage({ number, answer });
});
