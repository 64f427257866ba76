import fc from 'fast-check';
import { differenceOf } from './difference';
import { matched, matchOf } from './match';
import type { PixelPoint } from './schema';

const place = fc.tuple(fc.integer({ min: -2000, max: 2000 }), fc.integer({ min: -2000, max: 2000 }));
const two = fc.tuple(place, place).filter(([[a, b], [c, d]]) => Math.hypot(a - c, b - d) > 5);
const apart = (a: PixelPoint, b: PixelPoint) => Math.hypot(a[0] - b[0], a[1] - b[1]);

describe('one picture laid on another', () => {
  it('takes the two places to the two, and leaves all proportions and angles', () => {
    fc.assert(
      fc.property(two, two, place, fc.boolean(), (from, to, other, mirrored) => {
        const match = matchOf(from, to, mirrored)!;
        for (const i of [0, 1]) expect(apart(matched(match, from[i]), to[i])).toBeLessThan(1e-6);
        const by = apart(...to) / apart(...from);
        const moved = matched(match, other);
        for (const i of [0, 1]) expect(apart(moved, to[i])).toBeCloseTo(apart(other, from[i]) * by, 4);
      }),
    );
  });

  it('is mirrored only where that is asked for', () => {
    // A third place on the left of the line from the first to the second.
    const from: [PixelPoint, PixelPoint] = [
      [0, 0],
      [10, 0],
    ];
    const side = ([x, y]: PixelPoint) => Math.sign(y) * (x === 5 ? 1 : NaN);
    expect(side(matched(matchOf(from, from)!, [5, 3]))).toBe(1);
    const turned = matched(matchOf(from, from, true)!, [5, 3]);
    expect([turned[0], turned[1]]).toEqual([expect.closeTo(5, 9), expect.closeTo(-3, 9)]);
  });

  it('is not possible where two places are one', () => {
    const one: [PixelPoint, PixelPoint] = [
      [3, 3],
      [3, 3],
    ];
    const other: [PixelPoint, PixelPoint] = [
      [0, 0],
      [1, 1],
    ];
    expect(matchOf(one, other)).toBeUndefined();
    expect(matchOf(other, one)).toBeUndefined();
  });
});

describe('a difference between two measured values', () => {
  it('is Welch’s: the textbook’s two samples, to four digits', () => {
    // Means 20.82 and 23.0 of n = 15 each, standard errors 0.7230 and 0.4130.
    const told = differenceOf({ value: 20.82, sd: 0.723, df: 14 }, { value: 23, sd: 0.413, df: 14 });
    expect(told.difference).toBeCloseTo(-2.18, 10);
    expect(told.sd).toBeCloseTo(Math.hypot(0.723, 0.413), 10);
    const [va, vb] = [0.723 ** 2, 0.413 ** 2];
    expect(told.df).toBeCloseTo((va + vb) ** 2 / (va ** 2 / 14 + vb ** 2 / 14), 8);
    expect(told.beyondError).toBe(true);
    expect(told.interval[0]).toBeLessThan(told.difference);
    expect(told.p).toBeLessThan(0.05);
  });

  it('is more than error just where its interval leaves out 0, and as probable the other way round', () => {
    const valued = fc.record({
      value: fc.double({ min: -100, max: 100, noNaN: true }),
      sd: fc.double({ min: 0.001, max: 50, noNaN: true }),
      df: fc.option(fc.integer({ min: 1, max: 200 }), { nil: undefined }),
    });
    fc.assert(
      fc.property(valued, valued, (a, b) => {
        const told = differenceOf(a, b);
        const [low, high] = told.interval;
        expect(told.beyondError).toBe(low > 0 || high < 0);
        expect(told.beyondError).toBe(told.p < 0.05);
        const back = differenceOf(b, a);
        // Not by its sign: 0 turned round is −0.
        expect(back.difference + told.difference).toBe(0);
        expect(back.p).toBeCloseTo(told.p, 12);
      }),
    );
  });

  it('of what has no error is what it is', () => {
    expect(differenceOf({ value: 2, sd: 0 }, { value: 2, sd: 0 })).toMatchObject({ difference: 0, p: 1, beyondError: false });
    expect(differenceOf({ value: 2, sd: 0 }, { value: 1, sd: 0 })).toMatchObject({ difference: 1, p: 0, beyondError: true });
    // A drawn plate beside a measured one: the error is that of the measured one alone.
    expect(differenceOf({ value: 2, sd: 0.1, df: 4 }, { value: 2.2, sd: 0 }).df).toBeCloseTo(4, 10);
  });

  it('made by error alone is called more than error in 5 of 100', () => {
    // Box–Muller on a fixed series.
    let seed = 12345;
    const uniform = () => (seed = (seed * 16807) % 2147483647) / 2147483647;
    const normal = () => Math.sqrt(-2 * Math.log(uniform())) * Math.cos(2 * Math.PI * uniform());
    const sample = (n: number, sigma: number) => {
      const values = Array.from({ length: n }, () => sigma * normal());
      const mean = values.reduce((sum, v) => sum + v, 0) / n;
      const variance = values.reduce((sum, v) => sum + (v - mean) ** 2, 0) / (n - 1);
      return { value: mean, sd: Math.sqrt(variance / n), df: n - 1 };
    };
    let called = 0;
    for (let i = 0; i < 4000; i++) if (differenceOf(sample(4, 1), sample(6, 2)).beyondError) called++;
    expect(called / 4000).toBeGreaterThan(0.04);
    expect(called / 4000).toBeLessThan(0.06);
  });
});
