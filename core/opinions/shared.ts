/**
 * How far opinions on one photograph err together, before anything is known of a station's: as second looks do. It
 * counts as much as this many pairs of opinions.
 */
const PRIOR = { correlation: 0.7, pairs: 20 };

/** Opinions of several people on one thing of which it is known what it was: was each right? */
export type Rightness = readonly boolean[];

/**
 * The correlation of errors of opinions that share a photograph: the intraclass correlation of being wrong, over all
 * pairs (Fleiss 1971's agreement on the two words right and wrong), drawn to what second looks have where little is known.
 *
 * @returns 0..1: the γ by which the pooled opinions are tempered (design effect: Kish 1965).
 */
export function sharedErrors(known: readonly Rightness[]): { correlation: number; pairs: number } {
  const pairsOf = (n: number) => (n * (n - 1)) / 2;
  const many = known.filter(({ length }) => length >= 2);
  const pairs = many.reduce((sum, { length }) => sum + pairsOf(length), 0);
  const all = many.reduce((sum, { length }) => sum + length, 0);
  const wrong = many.reduce((sum, one) => sum + one.filter((right) => !right).length, 0) / (all || 1);
  const both = many.reduce((sum, one) => sum + pairsOf(one.filter((right) => !right).length), 0) / (pairs || 1);
  const variance = wrong * (1 - wrong);
  // Where nobody erred, or everybody did, nothing is learnt of whether they err together.
  if (variance < 1e-12) return { correlation: PRIOR.correlation, pairs: 0 };
  const observed = Math.min(1, Math.max(0, (both - wrong ** 2) / variance));
  const correlation = (PRIOR.pairs * PRIOR.correlation + pairs * observed) / (PRIOR.pairs + pairs);
  return { correlation, pairs };
}
