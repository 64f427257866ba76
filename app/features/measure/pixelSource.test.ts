import { holdPixels, pixelSource } from './pixelSource';

const photo = (naturalWidth: number, naturalHeight: number) =>
  ({ src: 'blob:photo', naturalWidth, naturalHeight }) as HTMLImageElement;
const close = jest.fn();
const decoded = (width: number) => ({ width, close }) as unknown as ImageBitmap;
const settled = () => new Promise((done) => setTimeout(done));

let idle: (() => void)[] = [];
beforeEach(() => {
  idle = [];
  close.mockReset();
  Object.assign(globalThis, {
    requestIdleCallback: (act: () => void) => idle.push(act),
    cancelIdleCallback: (place: number) => void delete idle[place - 1],
    fetch: jest.fn(async () => ({ blob: async () => 'the file' })),
    createImageBitmap: jest.fn(async () => decoded(400)),
  });
});
const wait = async () => {
  idle.forEach((act) => act());
  await settled();
};

describe('what pixels are read from', () => {
  it('is the photo until it was decoded for it, and again once that is let go', async () => {
    const image = photo(400, 300);
    const letGo = holdPixels(image);
    expect(pixelSource(image)).toBe(image);
    await wait();
    expect(pixelSource(image)).toMatchObject({ width: 400 });
    letGo();
    expect(pixelSource(image)).toBe(image);
    expect(close).toHaveBeenCalledTimes(1);
  });

  it('is not decoded once nobody waits for it, nor where it would take too much room', async () => {
    holdPixels(photo(400, 300))();
    holdPixels(photo(10_000, 10_000));
    await wait();
    expect(createImageBitmap).not.toHaveBeenCalled();
  });

  it('is the photo where it cannot be decoded, or is not upright as the photo is', async () => {
    const [broken, turned] = [photo(400, 300), photo(300, 400)];
    jest.mocked(createImageBitmap).mockRejectedValueOnce(new Error('no photo'));
    holdPixels(broken);
    await wait();
    idle = [];
    holdPixels(turned);
    await wait();
    expect([pixelSource(broken), pixelSource(turned)]).toEqual([broken, turned]);
    expect(close).toHaveBeenCalledTimes(1);
  });
});
