import fc from 'fast-check';
import { leadersOf } from './leaders';

const room = { width: 400, height: 300, step: 30 };

it('each label stands by its place where it can', () => {
  expect(
    leadersOf(
      [
        { x: 0.5, y: 0.8 },
        { x: 0.2, y: 0.2 },
      ],
      room,
    ),
  ).toEqual([240, 60]);
});

it('none stands above another, or outside, where all places are one', () => {
  const places = Array.from({ length: 10 }, () => ({ x: 0.3, y: 1 }));
  expect(leadersOf(places, room)!.toSorted((a, b) => a - b)).toEqual(Array.from({ length: 10 }, (_, i) => 15 + 30 * i));
});

it('there is none where there is no room for all', () => {
  expect(
    leadersOf(
      Array.from({ length: 11 }, () => ({ x: 0, y: 0 })),
      room,
    ),
  ).toBeUndefined();
  expect(leadersOf([], room)).toEqual([]);
});

/** Do two lines meet? By where each is at every pixel across, as one sees it. */
function meet(a: { x: number; y: number; end: number }, b: { x: number; y: number; end: number }): boolean {
  const height = (line: typeof a, x: number) => line.y + ((line.end - line.y) * (x - line.x)) / (400 - line.x);
  const from = Math.max(a.x, b.x);
  const apart = Array.from({ length: 200 }, (_, i) => from + ((400 - from) * i) / 200).map((x) => height(a, x) - height(b, x));
  return apart.some((one) => one > 0.01) && apart.some((one) => one < -0.01);
}

it('no two lines cross, every label is inside and a step from the next, wherever the places are', () => {
  const share = fc.integer({ min: 0, max: 99 }).map((n) => n / 100);
  fc.assert(
    fc.property(fc.array(fc.record({ x: share, y: share }), { minLength: 1, maxLength: 10 }), (places) => {
      const ends = leadersOf(places, room)!;
      const lines = places.map(({ x, y }, i) => ({ x: x * 400, y: y * 300, end: ends[i] }));
      for (const a of lines) for (const b of lines) if (a !== b) expect(meet(a, b)).toBe(false);
      const sorted = ends.toSorted((a, b) => a - b);
      expect(sorted[0]).toBeGreaterThanOrEqual(15 - 1e-9);
      expect(sorted.at(-1)).toBeLessThanOrEqual(285 + 1e-9);
      sorted.slice(1).forEach((end, i) => expect(end - sorted[i]).toBeGreaterThanOrEqual(30 - 1e-9));
    }),
  );
});
