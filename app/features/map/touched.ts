import type { Pixel } from './ground';

/** What of an outline lies under a touch: one of its points, a side by the point it begins at, or nothing. */
export type Touched = { point: number } | { side: number } | undefined;

/** Pixels that a finger may be off. */
const REACH = 14;

/**
 * @param spots points of an outline in turn, in pixels; from the third on it is closed.
 */
export function touchedAt(spots: readonly Pixel[], at: Pixel): Touched {
  const near = (offs: number[]) => {
    const least = Math.min(...offs);
    return least <= REACH ? offs.indexOf(least) : -1;
  };
  const point = near(spots.map(([x, y]) => Math.hypot(x - at[0], y - at[1])));
  if (point >= 0) return { point };
  const sides = spots.length > 2 ? spots.length : Math.max(0, spots.length - 1);
  const side = near(Array.from({ length: sides }, (_, i) => offSide(spots[i], spots[(i + 1) % spots.length], at)));
  return side >= 0 ? { side } : undefined;
}

/** How far a place is off a side, from end to end. */
function offSide([ax, ay]: Pixel, [bx, by]: Pixel, [x, y]: Pixel): number {
  const [dx, dy] = [bx - ax, by - ay];
  const along = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
  return Math.hypot(ax + along * dx - x, ay + along * dy - y);
}
