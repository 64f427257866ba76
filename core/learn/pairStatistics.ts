import { lowerIndex, lowerSize } from '../linear';

/**
 * Sufficient statistics of some rows of one form: over every pair of columns
 * that were both measured, how many, their sums and their products. They add and
 * subtract exactly, so that a fold is taken out without going through the rest.
 */
export interface PairStatistics {
  /** Rows, whether complete or not. */
  rows: number;
  /** Lower triangle: rows with both columns. */
  count: Float64Array;
  /** d × d: Σ x_i over rows with both i and j. */
  sum: Float64Array;
  /** Lower triangle: Σ x_i x_j. */
  product: Float64Array;
}

export const noStatistics = (order: number): PairStatistics => ({
  rows: 0,
  count: new Float64Array(lowerSize(order)),
  sum: new Float64Array(order * order),
  product: new Float64Array(lowerSize(order)),
});

/** Adds a row; NaN is a missing cell. */
export function addRow(sums: PairStatistics, x: Float64Array): void {
  const order = x.length;
  sums.rows++;
  let at = 0;
  for (let i = 0; i < order; i++) {
    const xi = x[i];
    if (Number.isNaN(xi)) {
      at += i + 1;
      continue;
    }
    for (let j = 0; j <= i; j++, at++) {
      const xj = x[j];
      if (Number.isNaN(xj)) continue;
      sums.count[at]++;
      sums.product[at] += xi * xj;
      sums.sum[i * order + j] += xi;
      if (i !== j) sums.sum[j * order + i] += xj;
    }
  }
}

/** a + weight · b, as new sums. */
export function plus(a: PairStatistics, b: PairStatistics, weight: 1 | -1): PairStatistics {
  const add = (x: Float64Array, y: Float64Array) => {
    const out = x.slice();
    for (let i = 0; i < out.length; i++) out[i] += weight * y[i];
    return out;
  };
  return {
    rows: a.rows + weight * b.rows,
    count: add(a.count, b.count),
    sum: add(a.sum, b.sum),
    product: add(a.product, b.product),
  };
}

/** The mean of each column over the rows that have it; `otherwise` where none has. */
export function meansOf(sums: PairStatistics, otherwise: ArrayLike<number>): Float64Array {
  const order = otherwise.length;
  return Float64Array.from(otherwise, (other, i) => {
    const n = sums.count[lowerIndex(i, i)];
    return n > 0 ? sums.sum[i * order + i] / n : other;
  });
}

/** Adds the scatter about the pairwise means, and its degrees of freedom, to lower triangles. */
export function addScatter(sums: PairStatistics, order: number, scatter: Float64Array, freedom: Float64Array): void {
  let at = 0;
  for (let i = 0; i < order; i++) {
    for (let j = 0; j <= i; j++, at++) {
      const n = sums.count[at];
      if (n < 2) continue;
      scatter[at] += sums.product[at] - (sums.sum[i * order + j] * sums.sum[j * order + i]) / n;
      freedom[at] += n - 1;
    }
  }
}
