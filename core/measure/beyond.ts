import { normalBelow } from '../probability';

/** A value beyond what is known of a form. */
export interface Beyond {
  side: 'above' | 'below';
  /** Standard deviations from the mean, measuring error and variation taken together. */
  z: number;
  /** One in so many would lie as far out on that side. */
  oneIn: number;
  /** Far enough out to measure again, and then to be told as a possible record. */
  again: boolean;
}

/** Further out than this it is asked for again: one in 1000. */
const AGAIN = 3.09;
/** Further out than this it is worth a word: one in 40. */
const WORTH = 1.96;

/**
 * How far a value lies beyond what a form is known to have.
 *
 * @param value, error the reading and its standard error; @param mean, sd of the form, in the same unit (or both as logarithms).
 * @returns undefined where it lies within.
 */
export function beyond(value: number, error: number, mean: number, sd: number): Beyond | undefined {
  const spread = Math.hypot(error, sd);
  const z = (value - mean) / spread;
  if (!(Math.abs(z) > WORTH)) return undefined;
  const share = normalBelow(-Math.abs(z), 0, 1);
  return { side: z > 0 ? 'above' : 'below', z, oneIn: 1 / share, again: Math.abs(z) > AGAIN };
}
