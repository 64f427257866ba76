import { along } from './along';
import type { At, Estimate } from './estimate';
import type { PixelPoint } from './schema';

/** How the bottom of a dip is called. */
export type DipForm = 'sharp' | 'V' | 'U' | 'flat';

/** A dip from rim to rim, or a point from base to base. */
export interface Dip {
  /** Width at half depth ÷ width at the rim: ½ for straight sides. */
  halfWidth: number;
  /** Depth ÷ width at the rim. */
  depth: number;
  /** The least radius of curvature at the bottom ÷ width at the rim. */
  radius: number;
  form: DipForm;
}

/** Numbers of the points of the deepest place, and how deep each lies below the rim. */
function depths(at: At, path: readonly number[]) {
  const [a, b] = [at(path[0]), at(path[path.length - 1])];
  const [dx, dy] = [b[0] - a[0], b[1] - a[1]];
  const rim = Math.hypot(dx, dy);
  const placed = path.map((i) => {
    const [x, y] = at(i);
    const [px, py] = [x - a[0], y - a[1]];
    return { i, along: (px * dx + py * dy) / rim, deep: (dx * py - dy * px) / rim };
  });
  const side = placed.reduce((sum, { deep }) => sum + deep, 0) < 0 ? -1 : 1;
  const down = placed.map((p) => ({ ...p, deep: p.deep * side }));
  const bottom = down.reduce((best, p, k) => (p.deep > down[best].deep ? k : best), 0);
  return { rim, down, bottom };
}

/**
 * The width at half depth over the width at the rim. Its slopes are those of the points that
 * hold it: rim, bottom, and the two stretches that half depth cuts; found by central
 * differences, exact to about 1e-8, since which stretches are cut changes nothing in between.
 *
 * @param path from rim to rim, at least three points. @returns NaN where it has no rim or no depth.
 */
export function dipRatio(at: At, path: readonly number[]): Estimate {
  const value = ratioOf(at, path);
  const slopes = new Map<number, readonly [number, number]>();
  if (Number.isFinite(value)) {
    const { rim } = depths(at, path);
    const step = rim * 1e-5;
    for (const i of new Set(path)) {
      const moved =
        (c: 0 | 1, by: number): At =>
        (j) => {
          const p = at(j);
          return j === i ? (c === 0 ? [p[0] + by, p[1]] : [p[0], p[1] + by]) : p;
        };
      const slope = (c: 0 | 1) => (ratioOf(moved(c, step), path) - ratioOf(moved(c, -step), path)) / (2 * step);
      slopes.set(i, [slope(0), slope(1)]);
    }
  }
  return { value, slopes, bend: 0, power: 0 };
}

function ratioOf(at: At, path: readonly number[]): number {
  const { rim, down, bottom } = depths(at, path);
  const half = down[bottom].deep / 2;
  if (!(rim > 0) || !(half > 0)) return NaN;
  const cut = (from: number, step: 1 | -1): number => {
    for (let k = from; k + step >= 0 && k + step < down.length; k += step) {
      const [p, q] = [down[k], down[k + step]];
      if (p.deep >= half && q.deep < half) return p.along + ((q.along - p.along) * (p.deep - half)) / (p.deep - q.deep);
    }
    return down[step === 1 ? down.length - 1 : 0].along;
  };
  return Math.abs(cut(bottom, 1) - cut(bottom, -1)) / rim;
}

/** Below this a dip is as good as none; a point this sharp is called so. */
const FLAT = 0.08;
const SHARP = 0.03;
/** Half width above which the bottom is round: midway between a V (½) and a half circle (√3⁄2 = .87). */
const ROUND = 0.68;

/**
 * What a dip is: flat where it is hardly one; sharp or V where its sides are straight, by how
 * tight its bottom is; U where it is round.
 */
export function dipOf(path: readonly PixelPoint[]): Dip | undefined {
  const at: At = (i) => path[i];
  const numbers = path.map((_, i) => i);
  const halfWidth = dipRatio(at, numbers).value;
  const { rim, down, bottom } = depths(at, numbers);
  if (!Number.isFinite(halfWidth)) return rim > 0 ? { halfWidth: NaN, depth: 0, radius: Infinity, form: 'flat' } : undefined;
  const depth = down[bottom].deep / rim;
  const radius = bottomRadius(path, rim) / rim;
  const form = depth < FLAT ? 'flat' : halfWidth >= ROUND ? 'U' : radius < SHARP ? 'sharp' : 'V';
  return { halfWidth, depth, radius, form };
}

/** The least radius of the circle through points a twelfth of the rim apart: nearer ones are pointing, not form. */
function bottomRadius(path: readonly PixelPoint[], rim: number): number {
  const gone = along(path);
  const total = gone[gone.length - 1];
  const place = (s: number): PixelPoint => {
    const k = Math.max(
      1,
      gone.findIndex((g) => g >= s),
    );
    const t = gone[k] === gone[k - 1] ? 0 : (s - gone[k - 1]) / (gone[k] - gone[k - 1]);
    return [path[k - 1][0] + t * (path[k][0] - path[k - 1][0]), path[k - 1][1] + t * (path[k][1] - path[k - 1][1])];
  };
  const step = rim / 12;
  let least = Number.POSITIVE_INFINITY;
  for (let s = step; s < total - step; s += step / 4) {
    const [p, q, r] = [place(s - step), place(s), place(s + step)];
    const twice = Math.abs((q[0] - p[0]) * (r[1] - p[1]) - (q[1] - p[1]) * (r[0] - p[0]));
    const sides = [p, q, r].map((m, i, all) => Math.hypot(all[(i + 1) % 3][0] - m[0], all[(i + 1) % 3][1] - m[1]));
    if (twice > 0) least = Math.min(least, (sides[0] * sides[1] * sides[2]) / (2 * twice));
  }
  return least;
}
