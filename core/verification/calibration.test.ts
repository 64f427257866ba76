import { seeded } from '../probability';
import { atThresholds, calibrationOf, type Stated } from '.';

/** Each one by itself, however it was counted. */
const naive = (all: readonly Stated[]) => {
  const each = all.flatMap(({ n = 1, ...one }) => Array.from({ length: n }, () => one));
  return each.reduce((sum, { p, right }) => sum + (right ? (1 - p) ** 2 : p ** 2), 0) / each.length;
};

/** So many names at a probability, of which so many were right. */
const said = (p: number, n: number, right: number): Stated[] => [
  { p, right: true, n: right },
  { p, right: false, n: n - right },
];

describe('calibration', () => {
  it('of nothing is nothing', () => {
    expect(calibrationOf([])).toBeUndefined();
  });

  it('adds up: reliability less resolution, with uncertainty, is the Brier score where each class is of one probability', () => {
    // Worked by hand: 10 said .6 with 5 right, 20 said .85 with 18 right, 10 said .97 with 10 right.
    const all = [...said(0.6, 10, 5), ...said(0.85, 20, 18), ...said(0.97, 10, 10)];
    const { n, right, brier, parts, classes } = calibrationOf(all)!;
    expect([n, right]).toEqual([40, 33]);
    expect(brier).toBeCloseTo((10 * (0.5 * 0.16 + 0.5 * 0.36) + 20 * (0.9 * 0.0225 + 0.1 * 0.7225) + 10 * 0.0009) / 40, 12);
    expect(parts.reliability).toBeCloseTo((10 * 0.01 + 20 * 0.0025 + 10 * 0.0009) / 40, 12);
    expect(parts.resolution).toBeCloseTo((10 * (0.5 - 0.825) ** 2 + 20 * (0.9 - 0.825) ** 2 + 10 * (1 - 0.825) ** 2) / 40, 12);
    expect(parts.uncertainty).toBeCloseTo(0.825 * 0.175, 12);
    expect(parts.within).toBeCloseTo(0, 12);
    expect(classes.map(({ from, n: m }) => [from, m])).toEqual([
      [0.5, 10],
      [0.8, 20],
      [0.95, 10],
    ]);
    // Wilson 1927: 18 of 20.
    expect(classes[1].low).toBeCloseTo(0.699, 3);
    expect(classes[1].high).toBeCloseTo(0.9721, 4);
  });

  it('is the same however the same are counted, and as a naive sum has it', () => {
    const random = seeded('calibration');
    const all = Array.from({ length: 400 }, () => {
      const p = 0.4 + 0.6 * random();
      return { p, right: random() < p };
    });
    const one = calibrationOf(all)!;
    expect(one.brier).toBeCloseTo(naive(all), 12);
    const { reliability, resolution, uncertainty, within } = one.parts;
    expect(reliability - resolution + uncertainty + within).toBeCloseTo(one.brier, 12);
    // What is said is right as often: little is lost by it.
    expect(reliability).toBeLessThan(0.01);
    expect(calibrationOf([...all, ...all])!.brier).toBeCloseTo(one.brier, 12);
    expect(calibrationOf(all.map((own) => ({ ...own, n: 2 })))!.logScore).toBeCloseTo(one.logScore, 12);
    expect(one.classes.reduce((sum, { n }) => sum + n, 0)).toBe(400);
  });

  it('keeps what was certain and wrong within bounds, and counts both ends', () => {
    const { logScore, brier, classes } = calibrationOf([
      { p: 1, right: false },
      { p: 0, right: false },
    ])!;
    expect(brier).toBe(0.5);
    expect(logScore).toBe(-10);
    expect(classes.map(({ n }) => n)).toEqual([1, 1]);
  });

  it('says what another threshold would name, and how much of it wrongly', () => {
    const all = [...said(0.96, 50, 49), ...said(0.92, 41, 38), ...said(0.6, 9, 5)];
    expect(atThresholds(all, [0.95, 0.9, 0])).toEqual([
      { threshold: 0.95, names: 50, wrong: 1 },
      { threshold: 0.9, names: 91, wrong: 4 },
      { threshold: 0, names: 100, wrong: 8 },
    ]);
  });
});
