import type { PixelPoint } from './schema';

/**
 * A value worked out of points, with the slope of it against each of them: what the delta
 * method needs (Casella & Berger 2002, 5.5.4). Points are by their number in the set.
 */
export interface Estimate {
  value: number;
  /** Point → [∂value/∂x, ∂value/∂y]; points that play no part are absent. */
  slopes: ReadonlyMap<number, readonly [number, number]>;
  /** Half the trace of the second derivatives over x and y of every point: the value is too large by this × σ². */
  bend: number;
  /** The power of a length that it is: 1 for a length, 2 for an area, 0 for what needs no scale. */
  power: 0 | 1 | 2;
}

/** Points in the plane they are measured in, each known by its number. */
export type At = (point: number) => PixelPoint;

type Slopes = Map<number, [number, number]>;

function lean(slopes: Slopes, point: number, x: number, y: number): void {
  const so = slopes.get(point);
  if (so) {
    so[0] += x;
    so[1] += y;
  } else slopes.set(point, [x, y]);
}

/**
 * The length through points in turn. Pointing that errs in all directions makes a line
 * longer on the average: by σ² ÷ length for each stretch, which `bend` tells.
 *
 * @param along numbers of at least two points. Points on one another have length 0 and no slope; where all are, the
 *   whole errs as any short length does, whatever its direction.
 */
export function pathLength(at: At, along: readonly number[]): Estimate {
  const slopes: Slopes = new Map();
  let value = 0;
  let bend = 0;
  for (let i = 1; i < along.length; i++) {
    const [a, b] = [at(along[i - 1]), at(along[i])];
    const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
    const length = Math.hypot(dx, dy);
    if (length === 0) continue;
    value += length;
    bend += 1 / length;
    lean(slopes, along[i], dx / length, dy / length);
    lean(slopes, along[i - 1], -dx / length, -dy / length);
  }
  if (value === 0) {
    lean(slopes, along[0], -1, 0);
    lean(slopes, along.at(-1)!, 1, 0);
  }
  return { value, slopes, bend, power: 1 };
}

/**
 * One value over another, by the chain rule; a point in both counts once.
 *
 * @returns value NaN where the lower one is 0.
 */
export function over(a: Estimate, b: Estimate): Estimate {
  const slopes: Slopes = new Map();
  const value = b.value === 0 ? NaN : a.value / b.value;
  for (const [point, [x, y]] of a.slopes) lean(slopes, point, x / b.value, y / b.value);
  for (const [point, [x, y]] of b.slopes) lean(slopes, point, (-value * x) / b.value, (-value * y) / b.value);
  let both = 0;
  let lower = 0;
  for (const [point, [x, y]] of b.slopes) {
    lower += x * x + y * y;
    const upper = a.slopes.get(point);
    if (upper) both += upper[0] * x + upper[1] * y;
  }
  const bend = (a.bend - value * b.bend) / b.value - both / b.value ** 2 + (value * lower) / b.value ** 2;
  return { value, slopes, bend, power: (a.power - b.power) as Estimate['power'] };
}

/** A value times a number. */
export const times = ({ slopes, ...rest }: Estimate, k: number): Estimate => ({
  ...rest,
  value: rest.value * k,
  bend: rest.bend * k,
  slopes: new Map([...slopes].map(([point, [x, y]]) => [point, [k * x, k * y]])),
});

/**
 * How far `tip` lies beyond `past` in the direction from `from` to `to`; negative where it falls short.
 * The direction is worked out of the points, so its own error is in the slopes.
 */
export function reach(at: At, tip: number, past: number, from: number, to: number): Estimate {
  const slopes: Slopes = new Map();
  const [t, p, f, g] = [tip, past, from, to].map(at);
  const [dx, dy] = [g[0] - f[0], g[1] - f[1]];
  const length = Math.hypot(dx, dy);
  const [ux, uy] = length === 0 ? [NaN, NaN] : [dx / length, dy / length];
  const [vx, vy] = [t[0] - p[0], t[1] - p[1]];
  const value = vx * ux + vy * uy;
  lean(slopes, tip, ux, uy);
  lean(slopes, past, -ux, -uy);
  // ∂u/∂d is (1 − u uᵀ) ÷ length.
  const across = (vy * ux - vx * uy) / length;
  lean(slopes, to, -uy * across, ux * across);
  lean(slopes, from, uy * across, -ux * across);
  // The axis turns by pointing: the mean of cos of a small angle is below 1 by half its variance, 2σ² ÷ length².
  return { value, slopes, bend: -value / length ** 2, power: 1 };
}

/** Degrees at the middle point, between 0 and 180; NaN where two of the points are one. */
export function angleAt(at: At, a: number, middle: number, b: number): Estimate {
  const slopes: Slopes = new Map();
  const [p, m, q] = [a, middle, b].map(at);
  const [u, v] = [p, q].map((end): PixelPoint => [end[0] - m[0], end[1] - m[1]]);
  const [uu, vv] = [u, v].map(([x, y]) => x * x + y * y);
  if (uu === 0 || vv === 0) return { value: NaN, slopes, bend: 0, power: 0 };
  const turn = Math.atan2(u[0] * v[1] - u[1] * v[0], u[0] * v[0] + u[1] * v[1]);
  const sense = turn < 0 ? -1 : 1;
  const degree = (180 / Math.PI) * sense;
  // ∂ direction(v) ÷ ∂v = (−vy, vx) ÷ |v|².
  const [pu, qv] = [
    [(u[1] / uu) * degree, (-u[0] / uu) * degree],
    [(-v[1] / vv) * degree, (v[0] / vv) * degree],
  ];
  lean(slopes, a, pu[0], pu[1]);
  lean(slopes, b, qv[0], qv[1]);
  lean(slopes, middle, -pu[0] - qv[0], -pu[1] - qv[1]);
  return { value: Math.abs(turn) * (180 / Math.PI), slopes, bend: 0, power: 0 };
}

/** The area within points in turn, by the trapezoid (shoelace) formula; whichever way round. */
export function areaWithin(at: At, around: readonly number[]): Estimate {
  const slopes: Slopes = new Map();
  const n = around.length;
  const points = around.map(at);
  let twice = 0;
  points.forEach(([x, y], i) => {
    const next = points[(i + 1) % n];
    twice += x * next[1] - next[0] * y;
  });
  const sense = twice < 0 ? -0.5 : 0.5;
  around.forEach((point, i) => {
    const before = points[(i + n - 1) % n];
    const after = points[(i + 1) % n];
    lean(slopes, point, sense * (after[1] - before[1]), sense * (before[0] - after[0]));
  });
  return { value: Math.abs(twice) / 2, slopes, bend: 0, power: 2 };
}
