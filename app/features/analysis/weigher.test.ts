import { reply, type Request } from '@plesion/core/analysis';
import { ledgeCrabs } from '@plesion/demo';
import type * as Weigher from './weigher';

type Message = { number: number; request: Request };

/** A worker that weighs at once, and remembers what it was sent. */
class FakeWorker {
  static made: FakeWorker[] = [];
  sent: Message[] = [];
  silent = false;
  onmessage?: (event: { data: unknown }) => void;
  onerror?: () => void;
  ended = false;

  terminate(): void {
    this.ended = true;
  }

  constructor() {
    FakeWorker.made.push(this);
  }

  postMessage(message: Message): void {
    this.sent.push(message);
    if (!this.silent)
      queueMicrotask(() => this.onmessage?.({ data: { number: message.number, answer: reply(message.request) } }));
  }
}

beforeEach(() => {
  jest.resetModules();
  FakeWorker.made = [];
  Object.assign(globalThis, { Worker: FakeWorker });
  Object.assign(globalThis.window, { location: { href: 'http://station/' } });
});

const load = () => {
  const { askWorker } = jest.requireActual<typeof Weigher>('./weigher');
  return (asked: typeof request, guide: typeof ledgeCrabs) => askWorker('standing', asked, { guide, hash: 'h' });
};
const request = { situation: {}, readings: [{ character: 'front-edge', states: ['three-teeth'] }] };

describe('weighing in the browser', () => {
  it('sends the guide once and its hash ever after', async () => {
    const weigh = load();
    const first = await weigh(request, ledgeCrabs);
    await weigh({ ...request, readings: [] }, ledgeCrabs);
    expect(first.beam.left.group).toBe('murica');
    const [worker] = FakeWorker.made;
    expect(FakeWorker.made).toHaveLength(1);
    expect(worker.sent.map(({ request: sent }) => Boolean(sent.guide))).toEqual([false, true, false]);
  });

  it('tells the answers of several requests apart', async () => {
    const weigh = load();
    const [a, b] = await Promise.all([weigh(request, ledgeCrabs), weigh({ ...request, readings: [] }, ledgeCrabs)]);
    expect(a.ledger).toHaveLength(1);
    expect(b.ledger).toHaveLength(0);
  });

  it('is stopped when it takes too long, and begins anew after that', async () => {
    const weigh = load();
    await weigh(request, ledgeCrabs);
    const [worker] = FakeWorker.made;
    worker.silent = true;
    jest.useFakeTimers();
    const stuck = weigh(request, ledgeCrabs);
    jest.advanceTimersByTime(21_000);
    jest.useRealTimers();
    await expect(stuck).rejects.toThrow('took too long');
    expect(worker.ended).toBe(true);
    expect((await weigh(request, ledgeCrabs)).ledger).toHaveLength(1);
  });

  it('fails in words when the worker does, and begins anew after that', async () => {
    const weigh = load();
    await weigh(request, ledgeCrabs);
    const [worker] = FakeWorker.made;
    worker.silent = true;
    const lost = weigh(request, ledgeCrabs);
    worker.onerror?.();
    await expect(lost).rejects.toThrow('nothing is lost');
    expect((await weigh(request, ledgeCrabs)).ledger).toHaveLength(1);
    expect(FakeWorker.made).toHaveLength(2);
  });
});
