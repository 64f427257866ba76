import type { RandomSource } from './seeded';

/** A standard normal deviate (Box & Muller 1958). */
export function normal(random: RandomSource): number {
  const u = 1 - random();
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random());
}

/** An index drawn with the given weights (need not sum to 1). */
export function pick(weights: ArrayLike<number>, random: RandomSource): number {
  let total = 0;
  for (let i = 0; i < weights.length; i++) total += weights[i];
  let left = random() * total;
  for (let i = 0; i < weights.length; i++) {
    left -= weights[i];
    if (left < 0) return i;
  }
  return weights.length - 1;
}
