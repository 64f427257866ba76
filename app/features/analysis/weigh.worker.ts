import { reply, type Request } from '@plesion/core/analysis';

/** One request at a time from the page; the number tells the answers apart. */
self.addEventListener('message', (event: MessageEvent<{ number: number; request: Request }>) => {
  const { number, request } = event.data;
  self.postMessage({ number, answer: reply(request) });
});
