import { areaWithin, type At, type Estimate, over, pathLength, reach, times } from './estimate';
import type { PixelPoint } from './schema';

/**
 * Where an outline crosses itself: the numbers of the two sides, each named by its first point.
 * Sides that share an end do not cross. In O(n log n) typically: sides are swept by their x.
 *
 * @returns undefined where it does not.
 */
export function crossing(points: readonly PixelPoint[], closed = true): [number, number] | undefined {
  const n = points.length;
  const count = closed ? n : n - 1;
  const sides = Array.from({ length: count }, (_, i) => {
    const [a, b] = [points[i], points[(i + 1) % n]];
    return { i, a, b, low: Math.min(a[0], b[0]), high: Math.max(a[0], b[0]) };
  }).sort((p, q) => p.low - q.low);
  for (let s = 0; s < sides.length; s++) {
    const one = sides[s];
    for (let t = s + 1; t < sides.length && sides[t].low <= one.high; t++) {
      const other = sides[t];
      const apart = Math.abs(one.i - other.i);
      if (apart <= 1 || (closed && apart === n - 1)) continue;
      if (cross(one.a, one.b, other.a, other.b)) return [Math.min(one.i, other.i), Math.max(one.i, other.i)];
    }
  }
  return undefined;
}

/** Twice the signed area of a triangle. */
const turn = (a: PixelPoint, b: PixelPoint, c: PixelPoint): number =>
  (b[0] - a[0]) * (c[1] - a[1]) - (b[1] - a[1]) * (c[0] - a[0]);

function cross(a: PixelPoint, b: PixelPoint, c: PixelPoint, d: PixelPoint): boolean {
  return turn(a, b, c) * turn(a, b, d) < 0 && turn(c, d, a) * turn(c, d, b) < 0;
}

/** The numbers of the points of the convex hull, in turn (Andrew 1979, monotone chain). */
export function hullOf(points: readonly PixelPoint[]): number[] {
  const order = points.map((_, i) => i).sort((i, j) => points[i][0] - points[j][0] || points[i][1] - points[j][1]);
  const half = (along: readonly number[]) => {
    const kept: number[] = [];
    for (const i of along) {
      while (kept.length > 1 && turn(points[kept[kept.length - 2]], points[kept[kept.length - 1]], points[i]) <= 0) kept.pop();
      kept.push(i);
    }
    return kept.slice(0, -1);
  };
  return [...half(order), ...half([...order].reverse())];
}

/**
 * Length ÷ width of the least box about an outline: the box of least area has a side along a
 * side of the hull (Freeman & Shapira 1975). The slopes are those of the points that hold the box.
 * The extremes of many points that are each a little off lie too far out, so an outline
 * set by hand is a little too long and too wide alike.
 */
export function elongation(at: At, around: readonly number[]): Estimate {
  const points = around.map(at);
  const hull = hullOf(points);
  let best: { area: number; length: Estimate; width: Estimate } | undefined;
  hull.forEach((from, k) => {
    const to = hull[(k + 1) % hull.length];
    const [dx, dy] = [points[to][0] - points[from][0], points[to][1] - points[from][1]];
    const side = Math.hypot(dx, dy);
    if (side === 0) return;
    const along = (i: number) => (points[i][0] * dx + points[i][1] * dy) / side;
    const far = (i: number) => Math.abs(turn(points[from], points[to], points[i])) / side;
    const most = (measure: (i: number) => number) => hull.reduce((a, b) => (measure(b) > measure(a) ? b : a));
    const [first, last, high] = [most((i) => -along(i)), most(along), most(far)];
    const area = (along(last) - along(first)) * far(high);
    if (best && area >= best.area) return;
    const n = (i: number) => around[i];
    best = { area, length: reach(at, n(last), n(first), n(from), n(to)), width: off(at, n(high), n(from), n(to)) };
  });
  if (!best) return { value: NaN, slopes: new Map(), bend: 0, power: 0 };
  return best.length.value >= best.width.value ? over(best.length, best.width) : over(best.width, best.length);
}

/** How far a point lies off the line through two others. */
export function off(at: At, point: number, a: number, b: number): Estimate {
  // The distance from a line is the area of the triangle, doubled, over the side.
  return times(over(areaWithin(at, [point, a, b]), pathLength(at, [a, b])), 2);
}

/** 4πA ÷ P² of an outline: 1 for a circle, less for anything else. */
export function roundness(at: At, around: readonly number[]): Estimate {
  const length = pathLength(at, [...around, around[0]]);
  return times(over(over(areaWithin(at, around), length), length), 4 * Math.PI);
}
