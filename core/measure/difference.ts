import { tBelow, tQuantile } from '../probability/studentT';
import type { Measured } from './schema';

/** A value with its error; degrees of freedom absent where the error is taken as known. */
export type Valued = Pick<Measured, 'value' | 'sd' | 'df'>;

export interface Difference {
  /** The first less the second, in their unit. */
  difference: number;
  /** Its standard error. */
  sd: number;
  df?: number;
  /** 95 %. */
  interval: [number, number];
  /** How often measuring error alone makes a difference as large, of two that are the same: 0..1. */
  p: number;
  /** Is it more than measuring error makes in 95 of 100? */
  beyondError: boolean;
}

/**
 * How two measured values differ, and whether that is more than their errors: Welch's t
 * with the degrees of freedom of Welch & Satterthwaite (1947). It says nothing of how
 * much animals of one kind differ.
 */
export function differenceOf(a: Valued, b: Valued): Difference {
  const difference = a.value - b.value;
  const [va, vb] = [a.sd ** 2, b.sd ** 2];
  const sd = Math.sqrt(va + vb);
  if (sd === 0) {
    const same = difference === 0;
    return { difference, sd, interval: [difference, difference], p: same ? 1 : 0, beyondError: !same };
  }
  const part = (v: number, df = Infinity) => v ** 2 / df;
  const doubt = part(va, a.df) + part(vb, b.df);
  const df = doubt === 0 ? Infinity : (va + vb) ** 2 / doubt;
  const reach = tQuantile(0.975, df) * sd;
  const p = 2 * tBelow(-Math.abs(difference) / sd, df);
  return {
    difference,
    sd,
    ...(Number.isFinite(df) ? { df } : {}),
    interval: [difference - reach, difference + reach],
    p,
    beyondError: Math.abs(difference) > reach,
  };
}
