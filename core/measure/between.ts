import type { At, Estimate } from './estimate';
import { coefficients, counterClockwise, type Harmonic, halfTurned, HARMONICS, laidOn, madeEqual, mirrorImage } from './fourier';
import type { PixelPoint } from './schema';

/** Where an outline lies between two others, and how well it lies there. */
export interface Between extends Estimate {
  /** How far it is off the way from the one to the other, and how long that way is: both in half lengths. */
  off: number;
  apart: number;
}

/** Half the step of a difference that stands for a slope, as a share of the first harmonic. */
const STEP = 1e-4;

/**
 * Where the form of an outline lies between two others: 0 where it is as the first, 1 as the second,
 * beyond where it goes further. The elliptic Fourier descriptors of all three are made equal in place,
 * turn and size (Kuhl & Giardina 1982), and in width, which `elongation` tells apart from form; the value is
 * the place of the outline's on the straight way from the first one's to the second's, nearest to it. By the
 * descriptors alone an outline and itself turned end for end are one: the first point tells which end is the
 * foot. A mirror image is the same form.
 *
 * Slopes are exact but for the ellipse of the first harmonic, which is gone through by differences.
 *
 * @param around numbers of at least three points, begun at the foot; those of the two others begin there too.
 * @returns value NaN where one of them encloses nothing, or the two are of one form.
 */
export function between(at: At, around: readonly number[], others: readonly [Outline, Outline]): Between {
  const own = footed(around.map(at));
  const first = footed(others[0]);
  const second = footed(others[1]);
  if (!own || !first || !second) return NOWHERE;
  const from = first.harmonics;
  const to = nearer(second.harmonics, mirrorImage(second.harmonics), from);
  const apart = laidOn(to, from);
  if (apart < 1e-6) return NOWHERE;
  // The image of it that lies nearer to one of the two.
  const reach = (h: readonly Harmonic[]) => Math.min(laidOn(h, from), laidOn(h, to));
  const image = mirrorImage(own.harmonics);
  const flipped = reach(image) < reach(own.harmonics);
  const here = flipped ? image : own.harmonics;
  const way = dot(to, from, to, from);
  const placeOf = (h: readonly Harmonic[]) => dot(h, from, to, from) / way;
  const value = placeOf(here);
  const off = Math.sqrt(Math.max(0, laidOn(here, from) ** 2 - (value * apart) ** 2));

  /** Changed coefficients, laid as these are. */
  const laid = (raw: readonly Harmonic[]): Harmonic[] => {
    const equal = asWide(madeEqual(raw)!.harmonics);
    const image = flipped ? mirrorImage(equal) : equal;
    return nearer(image, halfTurned(image), here);
  };
  const step = STEP * Math.hypot(...own.raw[0]);
  const slope = own.raw.map(() => [0, 0, 0, 0]);
  [0, 1, 2, 3].forEach((j) => {
    const first = (by: number) => [plus(own.raw[0], j, by), ...own.raw.slice(1)];
    slope[0][j] = (placeOf(laid(first(step))) - placeOf(laid(first(-step)))) / (2 * step);
    // The others go through what the first is made equal by as they are: all of them at once.
    const [more, less] = [step, -step].map((by) => laid(own.raw.map((h, k) => (k ? plus(h, j, by) : h))));
    for (let k = 1; k < slope.length; k++)
      slope[k][j] = more[k].reduce((sum, v, n) => sum + (v - less[k][n]) * (to[k][n] - from[k][n]), 0) / (2 * step * way);
  });
  const slopes = new Map<number, [number, number]>();
  slopesOfPoints(own.points, own.raw, slope).forEach((leaning, i) => {
    slopes.set(around[own.reversed ? around.length - 1 - i : i], leaning);
  });
  return { value, slopes, bend: 0, power: 0, off, apart };
}

type Outline = readonly PixelPoint[];

const NOWHERE: Between = { value: NaN, slopes: new Map(), bend: 0, power: 0, off: 0, apart: 0 };

const plus = ([a, b, c, d]: Harmonic, j: number, by: number): Harmonic => [
  a + (j === 0 ? by : 0),
  b + (j === 1 ? by : 0),
  c + (j === 2 ? by : 0),
  d + (j === 3 ? by : 0),
];

const nearer = (one: Harmonic[], other: Harmonic[], to: readonly Harmonic[]) =>
  laidOn(other, to) < laidOn(one, to) ? other : one;

/** (a − b) · (c − d) over all coefficients. */
const dot = (a: readonly Harmonic[], b: readonly Harmonic[], c: readonly Harmonic[], d: readonly Harmonic[]): number =>
  a.reduce((sum, h, k) => sum + h.reduce((part, v, j) => part + (v - b[k][j]) * (c[k][j] - d[k][j]), 0), 0);

/** Stretched across until the ellipse of the first harmonic is a circle. */
const asWide = (all: readonly Harmonic[]): Harmonic[] => {
  const width = Math.abs(all[0][3]);
  return all.map(([a, b, c, d]) => [a, b, c / width, d / width]);
};

/** An outline with its foot to the left: where it was begun. */
function footed(outline: Outline) {
  const points = counterClockwise(outline);
  if (!points) return undefined;
  const raw = coefficients(points, HARMONICS);
  const equal = madeEqual(raw);
  if (!equal) return undefined;
  const middle = middleOf(points);
  const { axis } = equal;
  const harmonics = asWide(equal.harmonics);
  const beyond = (outline[0][0] - middle[0]) * axis[0] + (outline[0][1] - middle[1]) * axis[1] > 0;
  return { points, raw, reversed: points !== outline, harmonics: beyond ? halfTurned(harmonics) : harmonics };
}

/** The middle of the area within. */
function middleOf(points: Outline): PixelPoint {
  const sums = [0, 0, 0];
  points.forEach(([x, y], i) => {
    const [u, v] = points[(i + 1) % points.length];
    const cross = x * v - u * y;
    [cross, (x + u) * cross, (y + v) * cross].forEach((part, k) => (sums[k] += part));
  });
  return [sums[1] / (3 * sums[0]), sums[2] / (3 * sums[0])];
}

/**
 * The slope of a value against each point, from those against the coefficients: the chain rule backwards
 * through the sums they are made of.
 */
function slopesOfPoints(points: Outline, raw: readonly Harmonic[], slope: readonly number[][]): [number, number][] {
  const n = points.length;
  const steps = points.map(([x, y], i) => {
    const [u, v] = points[(i + 1) % n];
    return { dx: u - x, dy: v - y, dt: Math.hypot(u - x, v - y) };
  });
  let total = 0;
  const ends = steps.map(({ dt }) => (total += dt));
  const byStep = steps.map(() => [0, 0, 0]);
  const byEnd = new Array<number>(n).fill(0);
  let byTotal = 0;
  raw.forEach((harmonic, h) => {
    const w = (2 * Math.PI * (h + 1)) / total;
    const k = total / (2 * Math.PI ** 2 * (h + 1) ** 2);
    const [ga, gb, gc, gd] = slope[h];
    let byW = 0;
    steps.forEach(({ dx, dy, dt }, i) => {
      if (dt === 0) return;
      const [t0, t1] = [ends[i] - dt, ends[i]];
      const [c0, s0, c1, s1] = [Math.cos(w * t0), Math.sin(w * t0), Math.cos(w * t1), Math.sin(w * t1)];
      const [along, up] = [ga * (c1 - c0) + gb * (s1 - s0), gc * (c1 - c0) + gd * (s1 - s0)];
      const r = k / dt;
      byStep[i][0] += r * along;
      byStep[i][1] += r * up;
      byStep[i][2] -= (r / dt) * (dx * along + dy * up);
      const [p, q] = [r * (ga * dx + gc * dy), r * (gb * dx + gd * dy)];
      byEnd[i] += w * (q * c1 - p * s1);
      if (i > 0) byEnd[i - 1] -= w * (q * c0 - p * s0);
      byW += t1 * (q * c1 - p * s1) - t0 * (q * c0 - p * s0);
    });
    byTotal += harmonic.reduce((sum, value, j) => sum + value * slope[h][j], 0) / total - (byW * w) / total;
  });
  // What a step is longer by, all ends from its own on lie further.
  let later = 0;
  for (let i = n - 1; i >= 0; i--) {
    later += byEnd[i];
    byStep[i][2] += later + byTotal;
  }
  const leaning = points.map((): [number, number] => [0, 0]);
  steps.forEach(({ dx, dy, dt }, i) => {
    if (dt === 0) return;
    const [x, y] = [byStep[i][0] + (byStep[i][2] * dx) / dt, byStep[i][1] + (byStep[i][2] * dy) / dt];
    const next = leaning[(i + 1) % n];
    next[0] += x;
    next[1] += y;
    leaning[i][0] -= x;
    leaning[i][1] -= y;
  });
  return leaning;
}
