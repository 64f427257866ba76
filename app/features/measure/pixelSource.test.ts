import { act, renderHook } from '@testing-library/react-native';
import { levelFor } from './LargePhoto';
import { holdPixels, type Levels, pixelSource, useLevels } from './pixelSource';

const photo = (naturalWidth: number, naturalHeight: number) =>
  ({ src: 'blob:photo', naturalWidth, naturalHeight }) as HTMLImageElement;
const close = jest.fn();
const bitmap = (width: number) => ({ width, close }) as unknown as ImageBitmap;

class FakeWorker {
  static made: FakeWorker[] = [];
  onmessage?: (event: { data: Levels | undefined }) => void;
  asked: unknown[] = [];
  terminate = jest.fn();
  constructor() {
    FakeWorker.made.push(this);
  }
  postMessage(what: unknown) {
    this.asked.push(what);
  }
  answer = (...widths: number[]) =>
    act(() => this.onmessage?.({ data: widths.length ? (widths.map(bitmap) as unknown as Levels) : undefined }));
}

let idle: (() => void)[] = [];
beforeEach(() => {
  idle = [];
  FakeWorker.made = [];
  close.mockReset();
  Object.assign(globalThis.window, { location: { href: 'http://station/' } });
  Object.assign(globalThis, {
    Worker: FakeWorker,
    createImageBitmap: () => undefined,
    requestIdleCallback: (then: () => void) => idle.push(then),
    cancelIdleCallback: (place: number) => void delete idle[place - 1],
  });
});
/** What waits for a page that rests. */
const rest = () => idle.splice(0).forEach((then) => then());

describe('what pixels are read from', () => {
  it('is the photo until it was decoded for it, and again once that is let go', () => {
    const image = photo(400, 300);
    const letGo = holdPixels(image);
    rest();
    expect(pixelSource(image)).toBe(image);
    const [worker] = FakeWorker.made;
    expect(worker.asked).toEqual([{ uri: 'blob:photo', copies: 0 }]);
    worker.answer(400);
    expect(worker.terminate).toHaveBeenCalledTimes(1);
    expect(pixelSource(image)).toMatchObject({ width: 400 });
    letGo();
    expect(pixelSource(image)).toBe(image);
    expect(close).toHaveBeenCalledTimes(1);
  });

  it('is not decoded once nobody waits for it, nor where it would take too much room', () => {
    holdPixels(photo(400, 300))();
    holdPixels(photo(10_000, 10_000));
    rest();
    expect(FakeWorker.made).toEqual([]);
    const letGo = holdPixels(photo(400, 300));
    rest();
    letGo();
    expect(FakeWorker.made[0].terminate).toHaveBeenCalledTimes(1);
  });

  it('is the photo where it cannot be decoded, or is not upright as the photo is', () => {
    const [broken, turned] = [photo(400, 300), photo(300, 400)];
    holdPixels(broken);
    holdPixels(turned);
    rest();
    FakeWorker.made[0].answer();
    FakeWorker.made[1].answer(400);
    expect([pixelSource(broken), pixelSource(turned)]).toEqual([broken, turned]);
    expect(close).toHaveBeenCalledTimes(1);
  });
});

describe('a large photo', () => {
  it('has copies, and is shown by them once they are there; a small one is shown itself', () => {
    const [large, small] = [photo(7300, 5480), photo(1200, 900)];
    const shown = [large, small].map((image) => renderHook(() => useLevels(image)).result);
    holdPixels(large);
    holdPixels(small);
    rest();
    expect(FakeWorker.made.map(({ asked }) => asked)).toEqual([
      [{ uri: 'blob:photo', copies: 2 }],
      [{ uri: 'blob:photo', copies: 0 }],
    ]);
    expect(shown.map(({ current }) => current)).toEqual([undefined, undefined]);
    FakeWorker.made[0].answer(7300, 3650, 1825);
    FakeWorker.made[1].answer(1200);
    expect(shown.map(({ current }) => current?.map(({ width }) => width))).toEqual([[7300, 3650, 1825], undefined]);
  });

  it('is drawn from the smallest copy that has a pixel for each of the screen', () => {
    const levels = [7300, 3650, 1825].map(bitmap) as unknown as Levels;
    expect([0.05, 0.25, 0.26, 0.5, 0.6, 1, 8].map((scale) => levelFor(levels, scale).width)).toEqual([
      ...[1825, 1825, 3650, 3650],
      ...[7300, 7300, 7300],
    ]);
  });
});
