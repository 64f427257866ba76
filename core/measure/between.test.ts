import fc from 'fast-check';
import { plainForm } from '../guide/plainForms';
import type { Quantity } from '../guide/working';
import { normal, seeded } from '../probability';
import { between } from './between';
import { measure } from './measure';
import type { PixelPoint } from './schema';

const [wedge, lance] = [plainForm('a wedge'), plainForm('a lance')];
const FORM: Quantity = { id: 'form', kind: 'form', outline: 'leaf', between: [wedge, lance] };

type Outline = PixelPoint[];
/** On the way from one form to another, set by hand at `n` places about 300 px long. */
const grown = (share: number, n = 48, size = 300): Outline =>
  wedge.points
    .map(([x, y], i): PixelPoint => {
      const [u, v] = lance.points[i];
      return [400 + size * (x + share * (u - x)), 300 + size * (y + share * (v - y))];
    })
    .filter((_, i) => i % Math.max(1, Math.round(wedge.points.length / n)) === 0);
/** As a hand sets them, all the way round: none closer to the one before than so many pixels. */
const spaced = (points: Outline, by: number): Outline => {
  const apart = (p: PixelPoint, q: PixelPoint) => Math.hypot(p[0] - q[0], p[1] - q[1]) >= by;
  const kept: Outline = [points[0]];
  for (const p of points) if (apart(p, kept.at(-1)!) && apart(p, kept[0])) kept.push(p);
  return kept;
};
const valueOf = (points: Outline) =>
  between(
    (i) => points[i],
    points.map((_, i) => i),
    [wedge.points, lance.points],
  ).value;
const measured = (leaf: Outline, more: object = {}) =>
  measure({ points: { leaf }, quantities: [FORM], pointingSd: 1.5, ...more });

describe('where an outline lies between two others', () => {
  it('is 0 as the first, 1 as the second, and between them between', () => {
    expect(valueOf(grown(0))).toBeCloseTo(0, 6);
    expect(valueOf(grown(1))).toBeCloseTo(1, 6);
    const way = [0.1, 0.3, 0.5, 0.7, 0.9].map((share) => valueOf(grown(share)));
    expect(way).toEqual([...way].sort((a, b) => a - b));
    expect(way[2]).toBeGreaterThan(0.2);
    expect(way[2]).toBeLessThan(0.7);
  });

  it('is the same wherever it lies, however large, turned, mirrored, gone round, and shifted in its foot by a point', () => {
    const leaf = grown(0.4);
    const usual = valueOf(leaf);
    fc.assert(
      fc.property(
        fc.double({ min: 0, max: 6.3, noNaN: true }),
        fc.double({ min: 0.1, max: 9, noNaN: true }),
        fc.boolean(),
        fc.boolean(),
        (turn, k, mirrored, backwards) => {
          const [c, s] = [k * Math.cos(turn), k * Math.sin(turn)];
          const moved = leaf.map(([x, y]): PixelPoint => [(mirrored ? -1 : 1) * (c * x - s * y) + 70, s * x + c * y - 9]);
          const begun = [...moved.slice(1), moved[0]];
          for (const one of [moved, begun]) expect(valueOf(backwards ? [...one].reverse() : one)).toBeCloseTo(usual, 5);
        },
      ),
      { numRuns: 60 },
    );
  });

  it('tells a foot from a tip: begun at its other end a wedge is no wedge', () => {
    const leaf = grown(0);
    const turned = [...leaf.slice(leaf.length / 2), ...leaf.slice(0, leaf.length / 2)];
    expect(valueOf(turned)).toBeGreaterThan(0.25);
  });

  it('has the slopes that moving a point by little shows', () => {
    const random = seeded('slopes');
    for (const share of [0, 0.35, 0.8, 1.2]) {
      const leaf = grown(share, 24).map(([x, y]): PixelPoint => [x + 4 * normal(random), y + 4 * normal(random)]);
      for (const points of [leaf, [...leaf].reverse()]) {
        const numbers = points.map((_, i) => i);
        const { slopes } = between((i) => points[i], numbers, [wedge.points, lance.points]);
        for (const i of numbers)
          for (const c of [0, 1]) {
            const moved = (by: number) =>
              valueOf(points.map((p, j): PixelPoint => (j === i ? (c ? [p[0], p[1] + by] : [p[0] + by, p[1]]) : p)));
            expect(slopes.get(i)![c]).toBeCloseTo((moved(0.01) - moved(-0.01)) / 0.02, 6);
          }
      }
    }
  });

  it('holds the truth in 93 to 97 of 100, from one set and from two', () => {
    const random = seeded('leaves');
    const rounds = 700;
    for (const sets of [1, 2]) {
      let held = 0;
      for (let i = 0; i < rounds; i++) {
        const leaf = spaced(grown(random(), 48, 700), 45);
        const truth = valueOf(leaf);
        const noisy = () => leaf.map(([x, y]): PixelPoint => [x + 1.5 * normal(random), y + 1.5 * normal(random)]);
        const repeats = Array.from({ length: sets - 1 }, () => ({ leaf: noisy() }));
        const [{ interval, unit }] = measured(noisy(), { repeats }).values;
        expect(unit).toBe('');
        if (interval[0] <= truth && truth <= interval[1]) held++;
      }
      expect([sets, held / rounds >= 0.93 && held / rounds <= 0.97, held / rounds]).toEqual([sets, true, held / rounds]);
    }
  });

  it('is not told of an outline that is like neither, of two that are alike, or of one that encloses nothing', () => {
    const star = Array.from({ length: 20 }, (_, i): PixelPoint => {
      const [r, t] = [i % 2 ? 40 : 150, (Math.PI * i) / 10];
      return [400 + r * Math.cos(t), 300 + 0.8 * r * Math.sin(t)];
    });
    expect(measured(star)).toMatchObject({ values: [], warnings: [{ code: 'form-unlike', field: 'quantities[0]' }] });
    const line = Array.from({ length: 6 }, (_, i): PixelPoint => [i, i]);
    expect(measured(line).warnings[0].code).toBe('no-value');
    const alike = { ...FORM, between: [wedge, wedge] } as Quantity;
    expect(measure({ points: { leaf: grown(0) }, quantities: [alike] }).warnings[0].code).toBe('no-value');
    expect(measured(grown(0).slice(0, 4)).warnings[0].code).toBe('too-few-points');
  });
});
