import type { Quantity } from '../guide/working';
import type { PixelPoint, PointSet } from './schema';
import { tiltCost } from './tilt';

const length: Quantity = { id: 'l', kind: 'length', line: { points: ['a', 'b'] } };
const ratio: Quantity = { id: 'r', kind: 'ratio', numerator: { points: ['a', 'b'] }, denominator: { points: ['c', 'd'] } };
const cross: PointSet = { a: [0, 0], b: [400, 0], c: [200, -100], d: [200, 100] };
const longer = (degrees: number) => 1 / Math.cos((degrees * Math.PI) / 180);

describe('what a tilt may cost', () => {
  it('is the cosine for a length across the axis, and as much of a length measured along another', () => {
    expect(tiltCost({ sets: [cross], quantity: length }, 10)).toBeCloseTo(400 * (longer(10) - 1), 3);
    // Two lines at a right angle: one keeps its length while the other loses.
    expect(tiltCost({ sets: [cross], quantity: ratio }, 10)).toBeCloseTo(2 * (longer(10) - 1), 4);
  });

  it('cancels where the known length lies along what is measured', () => {
    const ends: [PixelPoint, PixelPoint] = [
      [0, 300],
      [200, 300],
    ];
    const scale = { kind: 'lengths' as const, references: [{ ends, mm: 10 }] };
    expect(tiltCost({ sets: [cross], quantity: length, scale }, 20)).toBeLessThan(0.01);
    const across: [PixelPoint, PixelPoint] = [
      [0, 300],
      [0, 500],
    ];
    expect(
      tiltCost({ sets: [cross], quantity: length, scale: { ...scale, references: [{ ends: across, mm: 10 }] } }, 20),
    ).toBeGreaterThan(1);
  });

  it('is that of a naive search over all axes, for an angle', () => {
    const quantity: Quantity = { id: 'g', kind: 'angle', points: ['a', 'c', 'b'] };
    const told = tiltCost({ sets: [cross], quantity }, 15)!;
    const angle = (p: PixelPoint, m: PixelPoint, q: PixelPoint) => {
      const [u, v] = [p, q].map(([x, y]) => [x - m[0], y - m[1]]);
      return (Math.acos((u[0] * v[0] + u[1] * v[1]) / Math.hypot(u[0], u[1]) / Math.hypot(v[0], v[1])) * 180) / Math.PI;
    };
    const [a, c, b] = [cross.a, cross.c, cross.b] as PixelPoint[];
    let most = 0;
    for (let i = 0; i < 720; i++) {
      const t = (i * Math.PI) / 720;
      const put = ([x, y]: PixelPoint): PixelPoint => {
        const across = (y * Math.cos(t) - x * Math.sin(t)) * (longer(15) - 1);
        return [x - across * Math.sin(t), y + across * Math.cos(t)];
      };
      most = Math.max(most, Math.abs(angle(put(a), put(c), put(b)) - angle(a, c, b)));
    }
    expect(told).toBeLessThanOrEqual(most + 1e-6);
    expect(told).toBeGreaterThan(most * 0.9);
  });

  it('is nothing for counts and with a grid, and not told where there is no value', () => {
    const count: Quantity = { id: 'n', kind: 'count', markers: 'm' };
    expect(tiltCost({ sets: [{ m: [[1, 1]] }], quantity: count }, 30)).toBe(0);
    expect(tiltCost({ sets: [{ a: [0, 0] }], quantity: length }, 10)).toBeUndefined();
    const square: PixelPoint[] = [
      [0, 0],
      [100, 0],
      [100, 100],
      [0, 100],
    ];
    const scale = { kind: 'grid' as const, points: square.map((at) => ({ at, mm: at })) };
    expect(tiltCost({ sets: [cross], quantity: length, scale }, 30)).toBe(0);
  });
});
