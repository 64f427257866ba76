/**
 * What every part of the weighing shares: the shape of a reading's evidence, and the
 * constants of the model that no guide sets.
 */

/** Evidence of one reading: log2 L for every form, and for what is not in the guide. */
export interface Evidence {
  /** One entry a form, in bits. */
  bits: Float64Array;
  outside: number;
}

/** The spread of values for what is not in the guide, in guide-wide spreads. */
export const OUTSIDE_WIDTH = 1.5;
