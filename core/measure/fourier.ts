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
  const raw = coefficients(outline, harmonics);
  if (!raw) return undefined;
  const [a, b, c, d] = raw[0];
  const start = 0.5 * Math.atan2(2 * (a * b + c * d), a * a + c * c - b * b - d * d);
  const [along, up] = [a * Math.cos(start) + b * Math.sin(start), c * Math.cos(start) + d * Math.sin(start)];
  const size = Math.hypot(along, up);
  if (!(size > 0)) return undefined;
  const [cos, sin] = [along / size, up / size];
  return raw.map(([p, q, r, s], k) => {
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
}

function coefficients(outline: readonly PixelPoint[], harmonics: number): Harmonic[] | undefined {
  const n = outline.length;
  let signed = 0;
  outline.forEach(([x, y], i) => (signed += x * outline[(i + 1) % n][1] - outline[(i + 1) % n][0] * y));
  if (n < 3 || signed === 0) return undefined;
  const turned = signed < 0 ? [...outline].reverse() : outline;
  const steps = turned.map((p, i) => {
    const q = turned[(i + 1) % n];
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
  const halfTurn = (h: Harmonic, k: number): Harmonic => {
    // Half a turn about the middle, begun half-way round: even harmonics change their sign.
    const sign = k % 2 === 1 ? -1 : 1;
    return [h[0] * sign, h[1] * sign, h[2] * sign, h[3] * sign];
  };
  const flip = ([p, q, r, s]: Harmonic): Harmonic => [p, -q, -r, s];
  const same = (one: readonly Harmonic[]) =>
    Math.sqrt(0.5 * one.reduce((sum, h, k) => sum + h.reduce((part, value, j) => part + (value - b[k][j]) ** 2, 0), 0));
  const tried = [a, a.map(halfTurn)];
  return Math.min(...(mirrored ? [...tried, ...tried.map((one) => one.map(flip))] : tried).map(same));
}
