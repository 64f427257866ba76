import type { Eye } from '../guide/working';
import { fQuantile } from '../probability';

/** Answers that the guide's own ρ weighs as much as. */
const WEIGHT = 10;

/** How much values by eye scatter before anything is known of a person, as a share of them: as much as is taken for read rightly. */
const USUAL_SPREAD = 0.1;

/**
 * How somebody reads a value by eye: the middle of what they say to what it is, and its scatter, both as logarithms
 * drawn towards no bias and the usual scatter as if by ten answers (normal posterior mean, and inverse-gamma scale;
 * Gelman et al. 2013, 3.3).
 *
 * @param bias over `values` answers: their ratio in the middle, and the standard deviation of its logarithm.
 */
export function eyeOf({ values, ratio, spread = USUAL_SPREAD }: { values: number; ratio: number; spread?: number }): Eye {
  const variance = (WEIGHT * USUAL_SPREAD ** 2 + (values - 1) * spread ** 2) / (WEIGHT + values - 1);
  return { ratio: Math.exp((values / (values + WEIGHT)) * Math.log(ratio)), spread: Math.sqrt(variance) };
}

export interface Rho {
  /** Mean of the posterior, 0..1. */
  rho: number;
  /** Its central 90 in 100. */
  low: number;
  high: number;
}

/**
 * How often a person reads a character as it is: the Beta posterior of ρ, whose prior has the guide's own as its mean
 * and weighs as ten answers (Gelman et al. 2013, 2.4). Quantiles by those of F.
 *
 * @param prior the character's ρ, 0..1.
 */
export function rhoOf(prior: number, { answers, right }: { answers: number; right: number }): Rho {
  const a = WEIGHT * prior + right;
  const b = WEIGHT * (1 - prior) + answers - right;
  const at = (p: number) => {
    if (b === 0) return 1;
    const f = fQuantile(p, 2 * a, 2 * b);
    return (a * f) / (b + a * f);
  };
  return { rho: a / (a + b), low: at(0.05), high: at(0.95) };
}
