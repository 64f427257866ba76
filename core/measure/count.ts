import type { PixelPoint } from './schema';

/** How often one who counts, or the machine, is wrong: learned from what was corrected. */
export interface CountingError {
  /** Share of what is there that is missed, 0 ≤ missed < 1. */
  missed: number;
  /** Markers set in vain, on the average. */
  extra: number;
}

/**
 * How many there are, from how many were counted: each is missed with a probability, and some
 * markers are set in vain. The number counted is a binomial and a Poisson deviate together;
 * turned round by the method of moments, with the error of that.
 *
 * @returns value 0 or more, and its standard error.
 * @example counted(49, { missed: 0.02, extra: 0 }) // { value: 50, sd: 1.01 }
 */
export function counted(n: number, { missed, extra }: CountingError): { value: number; sd: number } {
  const kept = 1 - missed;
  const value = Math.max(0, n - extra) / kept;
  return { value, sd: Math.sqrt(value * missed * kept + extra) / kept };
}

/**
 * Markers to one side of an axis, as one sees them who looks along it: y runs down, so what
 * lies right of an axis that points up has the greater x.
 */
export function onSide(markers: readonly PixelPoint[], from: PixelPoint, to: PixelPoint, side: 'left' | 'right'): PixelPoint[] {
  const sign = side === 'right' ? 1 : -1;
  return markers.filter(([x, y]) => sign * ((to[0] - from[0]) * (y - from[1]) - (to[1] - from[1]) * (x - from[0])) > 0);
}
