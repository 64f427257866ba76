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
  const count = loss.length;
  let weights = new Float64Array(count).fill(1 / count);
  if (rows.length === 0) return weights;
  const likelihoods = relativeLikelihoods(loss, rows);
  for (let round = 0; round < ROUNDS; round++) {
    const next = new Float64Array(count);
    for (let row = 0; row < likelihoods.length; row += count) {
      let total = 0;
      for (let c = 0; c < count; c++) total += weights[c] * likelihoods[row + c];
      for (let c = 0; c < count; c++) next[c] += (weights[c] * likelihoods[row + c]) / total;
    }
    weights = next.map((w) => w / rows.length);
  }
  return weights;
}

/** P of what was true under each candidate, against the best of them: row by row, candidate after candidate. */
function relativeLikelihoods(loss: readonly Float64Array[], rows: readonly number[]): Float64Array {
  const relative = new Float64Array(rows.length * loss.length);
  rows.forEach((i, row) => {
    let least = Number.POSITIVE_INFINITY;
    for (const own of loss) least = Math.min(least, own[i]);
    loss.forEach((own, c) => (relative[row * loss.length + c] = Math.exp(least - own[i])));
  });
  return relative;
}
