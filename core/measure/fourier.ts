import type { PixelPoint } from './schema';

/** Coefficients of one harmonic: x = Σ a cos + b sin, y = Σ c cos + d sin. */
export type Harmonic = readonly [a: number, b: number, c: number, d: number];

/** Harmonics that tell one outline from another; finer ones are pointing. */
export const HARMONICS = 12;

/**
 * Elliptic Fourier descriptors of a closed outline (Kuhl & Giardina 1982), made equal in place,
 * start, turn and size by the ellipse of the first harmonic: its half length is 1 and lies along x.
 *
 * @param outline at least three points in turn, not all in one place; its sense does not matter.
 * @returns undefined where it encloses nothing.
 */
export function fourierOf(outline: readonly PixelPoint[], harmonics = HARMONICS): Harmonic[] | undefined {
  const turned = counterClockwise(outline);
  return turned && madeEqual(coefficients(turned, harmonics))?.harmonics;
}

/**
 * Coefficients made equal in start, turn and size by the ellipse of the first harmonic.
 *
 * @returns with the direction of its half length as it lay; undefined where it has none.
 */
export function madeEqual(raw: readonly Harmonic[]): { harmonics: Harmonic[]; axis: PixelPoint } | undefined {
  const [a, b, c, d] = raw[0];
  const start = 0.5 * Math.atan2(2 * (a * b + c * d), a * a + c * c - b * b - d * d);
  const [along, up] = [a * Math.cos(start) + b * Math.sin(start), c * Math.cos(start) + d * Math.sin(start)];
  const size = Math.hypot(along, up);
  if (!(size > 0)) return undefined;
  const [cos, sin] = [along / size, up / size];
  const harmonics = raw.map(([p, q, r, s], k) => {
    const turn = (k + 1) * start;
    const [ct, st] = [Math.cos(turn), Math.sin(turn)];
    const [A, B, C, D] = [p * ct + q * st, q * ct - p * st, r * ct + s * st, s * ct - r * st];
    return [
      (A * cos + C * sin) / size,
      (B * cos + D * sin) / size,
      (C * cos - A * sin) / size,
      (D * cos - B * sin) / size,
    ] as const;
  });
  return { harmonics, axis: [cos, sin] };
}

/** The points of an outline in the sense in which they enclose a positive area; undefined where they enclose none. */
export function counterClockwise(outline: readonly PixelPoint[]): readonly PixelPoint[] | undefined {
  const n = outline.length;
  let signed = 0;
  outline.forEach(([x, y], i) => (signed += x * outline[(i + 1) % n][1] - outline[(i + 1) % n][0] * y));
  if (n < 3 || signed === 0) return undefined;
  return signed < 0 ? [...outline].reverse() : outline;
}

/** Before they are made equal: of an outline gone round at even speed. */
export function coefficients(outline: readonly PixelPoint[], harmonics: number): Harmonic[] {
  const steps = outline.map((p, i) => {
    const q = outline[(i + 1) % outline.length];
    return { dx: q[0] - p[0], dy: q[1] - p[1], dt: Math.hypot(q[0] - p[0], q[1] - p[1]) };
  });
  const T = steps.reduce((sum, { dt }) => sum + dt, 0);
  return Array.from({ length: harmonics }, (_, h) => {
    const w = (2 * Math.PI * (h + 1)) / T;
    const sums = [0, 0, 0, 0];
    let t = 0;
    for (const { dx, dy, dt } of steps) {
      if (dt > 0) {
        const [cos, sin] = [Math.cos(w * (t + dt)) - Math.cos(w * t), Math.sin(w * (t + dt)) - Math.sin(w * t)];
        [dx * cos, dx * sin, dy * cos, dy * sin].forEach((part, k) => (sums[k] += part / dt));
      }
      t += dt;
    }
    const k = T / (2 * Math.PI ** 2 * (h + 1) ** 2);
    return [sums[0] * k, sums[1] * k, sums[2] * k, sums[3] * k] as const;
  });
}

/**
 * How far two outlines differ in form: the root mean square distance between them when both
 * are laid on one another, in half lengths; half a turn and a mirror image are tried too where allowed.
 *
 * @param mirrored count a left and a right as alike.
 */
export function outlineDistance(a: readonly Harmonic[], b: readonly Harmonic[], mirrored = false): number {
  const tried = [a, halfTurned(a)];
  return Math.min(...(mirrored ? [...tried, ...tried.map(mirrorImage)] : tried).map((one) => laidOn(one, b)));
}

/** The distance between two outlines as they lie on one another, in half lengths. */
export const laidOn = (a: readonly Harmonic[], b: readonly Harmonic[]): number =>
  Math.sqrt(0.5 * a.reduce((sum, h, k) => sum + h.reduce((part, value, j) => part + (value - b[k][j]) ** 2, 0), 0));

/** Half a turn about the middle, begun half-way round: even harmonics change their sign. */
export const halfTurned = (all: readonly Harmonic[]): Harmonic[] =>
  all.map((h, k) => (k % 2 === 1 ? [-h[0], -h[1], -h[2], -h[3]] : h));

export const mirrorImage = (all: readonly Harmonic[]): Harmonic[] => all.map(([p, q, r, s]) => [p, -q, -r, s]);
