import { gammaQuantile, lnChoose } from './gamma';

/** Outcomes whose probability is the observed one's but for rounding count as no more probable. */
const ROUNDING = 1 + 1e-7;

/** The probability of all outcomes that are no more probable than the one observed; logarithms in, at most 1 out. */
function noMoreProbable(lnAll: readonly number[], observed: number): number {
  const most = Math.exp(lnAll[observed]) * ROUNDING;
  return Math.min(
    1,
    lnAll.reduce((sum, ln) => (Math.exp(ln) <= most ? sum + Math.exp(ln) : sum), 0),
  );
}

/**
 * Two-sided exact binomial test, by the method of small probabilities: how probable is an
 * outcome no more probable than `k` of `n` where each is one with probability `p`?
 *
 * @param k, n whole, 0 ≤ k ≤ n; @param p 0..1.
 * @example binomialTest(2, 10, 0.5) // 0.109375
 */
export function binomialTest(k: number, n: number, p: number): number {
  if (p <= 0 || p >= 1) return k === n * p ? 1 : 0;
  const ln = Array.from({ length: n + 1 }, (_, i) => lnChoose(n, i) + i * Math.log(p) + (n - i) * Math.log1p(-p));
  return noMoreProbable(ln, k);
}

/**
 * Fisher's (1935) exact test of a table of two by two, two-sided, by the method of small probabilities.
 *
 * @param table [[a, b], [c, d]], whole and 0 or more.
 * @example fisherTest([[3, 1], [1, 3]]) // 0.485714
 */
export function fisherTest([[a, b], [c, d]]: readonly [readonly [number, number], readonly [number, number]]): number {
  const [row, column, all] = [a + b, a + c, a + b + c + d];
  const least = Math.max(0, row + column - all);
  const most = Math.min(row, column);
  const ln = Array.from(
    { length: most - least + 1 },
    (_, i) => lnChoose(row, least + i) + lnChoose(all - row, column - least - i) - lnChoose(all, column),
  );
  return noMoreProbable(ln, a - least);
}

/**
 * Garwood's (1936) exact interval for the mean of a Poisson count.
 *
 * @param n whole, 0 or more; @param level e.g. 0.95.
 * @example garwood(0) // { low: 0, high: 3.688879 }
 */
export function garwood(n: number, level = 0.95): { low: number; high: number } {
  const tail = (1 - level) / 2;
  return { low: n === 0 ? 0 : gammaQuantile(tail, n), high: gammaQuantile(1 - tail, n + 1) };
}
