interface Spread {
  mean: number;
  sd: number;
}

/** One specimen's value, with its error, and how far it counts. */
export interface Measured {
  x: number;
  error: number;
  counts: number;
}

/** The spread is not taken to be less than this share of what the books say. */
const LEAST_SPREAD = 0.25;

/**
 * Mean and spread by the books and our own measurements together: a Normal-Inverse-Gamma posterior (Gelman et al. 2013,
 * § 3.3) with the books as a prior worth `weight` specimens, for the mean as for the spread. The measuring error is
 * taken out of the spread.
 *
 * @param weight above 0.
 * @returns `read` by ours alone, with the error in its spread taken out too; `noise` the mean square of the errors.
 */
export function updatedValues(
  books: Spread,
  measured: readonly Measured[],
  weight: number,
): { read: Spread; both: Spread; noise: number } {
  const n = measured.reduce((sum, { counts }) => sum + counts, 0);
  const mean = measured.reduce((sum, { x, counts }) => sum + counts * x, 0) / n;
  const noise = measured.reduce((sum, { error, counts }) => sum + counts * error ** 2, 0) / n;
  const squares = measured.reduce((sum, { x, counts }) => sum + counts * (x - mean) ** 2, 0);
  const far = (mean - books.mean) ** 2;
  const prior = books.sd ** 2 + noise;
  const variance = (weight * prior + squares + ((weight * n) / (weight + n)) * far) / (weight + n);
  const least = LEAST_SPREAD * books.sd;
  const without = (seen: number) => Math.max(least, Math.sqrt(Math.max(0, seen - noise)));
  return {
    read: { mean, sd: without(n > 1 ? squares / (n - 1) : 0) },
    both: { mean: (weight * books.mean + n * mean) / (weight + n), sd: without(variance) },
    noise,
  };
}

/** Mean and spread of what is normal on the scale of logarithms, as they are. */
export function naturalOf({ mean, sd }: Spread): Spread {
  const natural = Math.exp(mean + sd ** 2 / 2);
  return { mean: natural, sd: natural * Math.sqrt(Math.exp(sd ** 2) - 1) };
}
