import type { PixelPoint } from './schema';

/** How far along a path each of its points lies: from 0 to its length. */
export function along(points: readonly PixelPoint[]): number[] {
  const gone = [0];
  for (let i = 1; i < points.length; i++)
    gone.push(gone[i - 1] + Math.hypot(points[i][0] - points[i - 1][0], points[i][1] - points[i - 1][1]));
  return gone;
}
