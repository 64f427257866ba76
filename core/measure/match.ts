import type { PixelPoint } from './schema';

/** How one picture is laid on another so that two places come to lie on two: turned, scaled and moved, and mirrored first where that is asked for. */
export interface Match {
  /** x′ = a x − b y + dx and y′ = b x + a y + dy, of x (or −x where it is mirrored). */
  a: number;
  b: number;
  dx: number;
  dy: number;
  mirrored: boolean;
}

/** Nearer than this, in the pictures' own units, two places give no direction. */
const APART = 1e-9;

/**
 * The one similarity that takes two places to two others, so that size and turn cancel
 * (Dryden & Mardia 2016, Bookstein coordinates).
 *
 * @param mirrored is the picture seen from its other side, a left wing beside a right one?
 * @returns undefined where two places lie on one another.
 */
export function matchOf(
  [p, q]: readonly [PixelPoint, PixelPoint],
  [r, s]: readonly [PixelPoint, PixelPoint],
  mirrored = false,
): Match | undefined {
  const sense = mirrored ? -1 : 1;
  const [ux, uy] = [(q[0] - p[0]) * sense, q[1] - p[1]];
  const [vx, vy] = [s[0] - r[0], s[1] - r[1]];
  const square = ux * ux + uy * uy;
  if (!(Math.sqrt(square) > APART) || !(Math.hypot(vx, vy) > APART)) return undefined;
  // v = (a + ib) u, as complex numbers.
  const a = (vx * ux + vy * uy) / square;
  const b = (vy * ux - vx * uy) / square;
  const [px, py] = [p[0] * sense, p[1]];
  return { a, b, dx: r[0] - (a * px - b * py), dy: r[1] - (b * px + a * py), mirrored };
}

/** Where a place of the one picture lies on the other. */
export function matched({ a, b, dx, dy, mirrored }: Match, [x, y]: PixelPoint): PixelPoint {
  const own = mirrored ? -x : x;
  return [a * own - b * y + dx, b * own + a * y + dy];
}
