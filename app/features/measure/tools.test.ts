import type { PixelPoint } from '@plesion/core/measure';
import { ledgeCrabs } from '@plesion/demo';
import { TOOL, toldByPixels, toldByPoints, toolOf } from './tools';

/** A photo that is dark by a rule, as the browser would decode it. */
let mockShade: (x: number, y: number) => number = () => 128;
jest.mock('./looking', () => ({
  pixelsOf: (_: unknown, { left, top, width, height }: { left: number; top: number; width: number; height: number }) => {
    const data = new Uint8ClampedArray(4 * width * height);
    for (let i = 0; i < width * height; i++) {
      const shade = mockShade(left + (i % width), top + Math.floor(i / width));
      data.set([shade, shade, shade, 255], 4 * i);
    }
    return { width, height, data };
  },
}));
const image = { naturalWidth: 400, naturalHeight: 300 } as HTMLImageElement;
const settings = { card: { percent: 18, error: 0.5 } };
const box = (x: number, y: number, w: number, h: number): PixelPoint[] => [
  [x, y],
  [x + w, y],
  [x + w, y + h],
  [x, y + h],
];
const photo = { width: 400, height: 300 };

describe('a character as a tool', () => {
  const toolFor = (id: string) => {
    const { label, protocol } = ledgeCrabs.characters.find((one) => one.id === id)!;
    return toolOf({ label, protocol: protocol! });
  };

  it('is told by its name, of the points that its protocol says', () => {
    const tool = toolFor('width-ratio');
    expect(tool.scaled).toBe(false);
    const ends: PixelPoint[] = [
      [50, 100],
      [250, 100],
      [150, 20],
      [150, 180],
    ];
    const points = Object.fromEntries(tool.landmarks.map(({ id }, i) => [id, ends[i]]));
    const [line] = toldByPoints(tool, points, undefined, photo).lines;
    expect(line).toMatch(/^Carapace width ÷ length: 1\.2[45]\d? ± 0\.0\d+$/);
  });

  it('wants a scale where there is a length in it', () => {
    expect(toolFor('carapace-width').scaled).toBe(true);
  });
});

describe('what is measured without a character', () => {
  it('is told with its error, in pixels or by a scale', () => {
    const points = { a: [0, 0], b: [200, 0], c: [0, 100], d: [100, 100] } as Record<string, PixelPoint>;
    expect(toldByPoints(TOOL.proportion, points, undefined, photo)).toEqual({
      lines: [expect.stringMatching(/^The first in the second: (1\.99|2\.00)\d ± 0\.063$/)],
      problems: [],
    });
    const length = { from: [0, 0], to: [200, 0] } as Record<string, PixelPoint>;
    expect(toldByPoints(TOOL.length, length, undefined, photo).lines[0]).toMatch(/ px$/);
    const scale = { kind: 'lengths' as const, references: [{ ends: [[0, 9], [100, 9]] as [PixelPoint, PixelPoint], mm: 10 }] }; // prettier-ignore
    expect(toldByPoints(TOOL.length, length, scale, photo).lines[0]).toMatch(/^Length: (19\.9\d*|20(\.\d+)?) ± .* mm$/);
  });

  it('counts to the left and to the right, as one looks along the axis', () => {
    const points = { rear: [200, 280] as PixelPoint, head: [200, 20] as PixelPoint, each: [[100, 100], [120, 150], [300, 90]] as PixelPoint[] }; // prettier-ignore
    expect(toldByPoints(TOOL.sides, points, undefined, photo).lines).toEqual([
      'Left, as one looks along the axis: 2',
      'Right: 1',
    ]);
  });

  it('names an outline that crosses itself, once', () => {
    const around: PixelPoint[] = [[0, 0], [100, 100], [100, 0], [0, 100]]; // prettier-ignore
    const told = toldByPoints(TOOL.area, { around }, undefined, photo);
    expect(told.lines).toEqual([]);
    expect(new Set(told.problems).size).toBe(told.problems.length);
    expect(told.problems[0]).toMatch(/crosses itself/);
  });
});

describe('what is read out of the pixels', () => {
  it('is how far stripes are apart', () => {
    mockShade = (x) => (Math.floor(x / 6) % 2 ? 40 : 200);
    const line = { from: [20, 50] as PixelPoint, to: [220, 50] as PixelPoint };
    const read = (mm?: number) => toldByPixels('stripes', image, line, mm, settings);
    expect(Number(/stripe: ([\d.]+)/.exec(read().lines[0])![1])).toBeCloseTo(12, 0);
    expect(Number(/stripe: ([\d.]+)/.exec(read(0.1).lines[0])![1])).toBeCloseTo(1.2, 1);
    mockShade = () => 90;
    expect(read()).toMatchObject({ lines: [], problems: [expect.stringMatching(/^Nothing repeats/)] });
  });

  it('is how much of an area is dark, by a threshold that is found or set', () => {
    mockShade = (x) => (x < 150 ? 30 : x < 175 ? 120 : 220);
    const points = { around: box(100, 50, 100, 100) };
    const found = toldByPixels('dark', image, points, undefined, settings);
    expect(found.threshold).toBeGreaterThan(30);
    expect(found.lines[0]).toMatch(/^Dark: (50|75)\.0 in 100$/);
    expect(toldByPixels('dark', image, points, undefined, { ...settings, threshold: 200 }).lines[0]).toBe('Dark: 75.0 in 100');
    expect(toldByPixels('dark', image, points, undefined, { ...settings, threshold: 60 }).lines[0]).toBe('Dark: 50.0 in 100');
  });

  it('is a tone, beside a card in the same light and not without one', () => {
    mockShade = (x) => (x < 200 ? 118 : 118);
    const points = { surface: box(20, 20, 60, 60), card: box(240, 20, 60, 60) };
    // As light as the card itself: 18 in 100, L* 49.5.
    expect(toldByPixels('tone', image, points, undefined, settings).lines[0]).toMatch(/^Lightness L\*: 49\.\d+ ± 0\.\d+/);
    mockShade = (x) => (x < 200 ? 118 : 255);
    expect(toldByPixels('tone', image, points, undefined, settings).problems[0]).toMatch(/not told without one/);
    const small = { ...points, card: box(240, 20, 2, 2) };
    expect(toldByPixels('tone', image, small, undefined, settings).problems[0]).toMatch(/Fewer than 20 pixels/);
  });
});
