import type { PointSet } from './schema';

/** Where a person's own pointing is not known well enough, in pixels along x and along y. */
export const USUAL_POINTING_SD = 2;

/** Degrees of freedom from which a person's own pointing is believed. */
export const ENOUGH_DF = 6;

/**
 * Nobody points better than the pixel that is pointed at: a place within it is told as its middle, which
 * alone errs by this much (uniform over a pixel, as in Sheppard 1898). Twice the same pixel is no certainty.
 */
export const LEAST_POINTING_SD = 1 / Math.sqrt(12);

/** How well somebody points: the standard deviation along each axis, in pixels, and what it rests on. */
export interface Pointing {
  sd: number;
  /** Infinite where it is taken as known. */
  df: number;
}

/**
 * The sum of squares of landmarks set several times about their means, and its degrees of
 * freedom: 2 (n − 1) for a landmark set n times. Curves, outlines and markers, whose points
 * are no landmarks, tell nothing here.
 */
export function pointingSquares(sets: readonly PointSet[]): { squares: number; df: number } {
  let squares = 0;
  let df = 0;
  for (const id of Object.keys(sets[0] ?? {})) {
    const places = sets.map((set) => set[id]).filter((place): place is [number, number] => typeof place?.[0] === 'number');
    if (places.length < 2) continue;
    for (const c of [0, 1] as const) {
      const mean = places.reduce((sum, p) => sum + p[c], 0) / places.length;
      squares += places.reduce((sum, p) => sum + (p[c] - mean) ** 2, 0);
    }
    df += 2 * (places.length - 1);
  }
  return { squares, df };
}

/**
 * A person's own pointing error, pooled over the landmarks of everything they set more than once
 * and what is known of them already; the usual 2 px until there are six degrees of freedom, and never
 * less than a pixel allows.
 *
 * @param before what is known already.
 */
export function pointingOf(found: { squares: number; df: number }, before?: Pointing): Pointing {
  if (before && !Number.isFinite(before.df)) return before;
  const df = found.df + (before?.df ?? 0);
  if (df < ENOUGH_DF) return { sd: USUAL_POINTING_SD, df: Number.POSITIVE_INFINITY };
  const sd = Math.sqrt((found.squares + (before ? before.sd ** 2 * before.df : 0)) / df);
  return { sd: Math.max(LEAST_POINTING_SD, sd), df };
}
