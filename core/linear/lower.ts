/** Symmetric matrices are kept as their lower triangle, row by row: (i, j ≤ i) at i (i + 1) / 2 + j. */
export const lowerSize = (order: number): number => (order * (order + 1)) / 2;

export const lowerIndex = (i: number, j: number): number => (i >= j ? (i * (i + 1)) / 2 + j : (j * (j + 1)) / 2 + i);

/** The entry (i, j) of a lower triangle read as a whole symmetric matrix. */
export const symmetric = (lower: ArrayLike<number>, i: number, j: number): number => lower[lowerIndex(i, j)];

/** Adds weight · x xᵀ to a lower triangle. */
export function addOuter(lower: Float64Array, x: ArrayLike<number>, weight: number): void {
  let at = 0;
  for (let i = 0; i < x.length; i++) {
    const scaled = weight * x[i];
    for (let j = 0; j <= i; j++) lower[at++] += scaled * x[j];
  }
}
