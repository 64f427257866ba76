import { fQuantile } from '../probability';

/** Answers that the guide's own ρ weighs as much as. */
const WEIGHT = 10;

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
