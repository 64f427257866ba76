/** Rounds of the search for weights: few, so that candidates that are equally good keep equal shares. */
const ROUNDS = 30;

/**
 * Weights of candidate models by how well their mixture foretold what each had not
 * seen: the log score of Σ w p, climbed by EM from equal weights (stacking: Wolpert
 * 1992). Where one is clearly better it takes nearly all; where none is, they share.
 *
 * @param loss −ln P of what was true, by candidate, then by held-out row.
 * @param rows places of the rows that count.
 * @returns one weight a candidate, sum 1.
 */
export function stackingWeights(loss: readonly Float64Array[], rows: readonly number[]): Float64Array {
  let weights = new Float64Array(loss.length).fill(1 / loss.length);
  if (rows.length === 0) return weights;
  for (let round = 0; round < ROUNDS; round++) {
    const next = new Float64Array(loss.length);
    for (const i of rows) {
      let least = Number.POSITIVE_INFINITY;
      for (const own of loss) least = Math.min(least, own[i]);
      let total = 0;
      for (let c = 0; c < loss.length; c++) total += weights[c] * Math.exp(least - loss[c][i]);
      for (let c = 0; c < loss.length; c++) next[c] += (weights[c] * Math.exp(least - loss[c][i])) / total;
    }
    weights = next.map((w) => w / rows.length);
  }
  return weights;
}
