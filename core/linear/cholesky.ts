import { lowerSize } from './lower';

/**
 * The lower factor L of a positive definite matrix, S = L Lᵀ, both as lower
 * triangles by rows (Cholesky–Banachiewicz). Undefined when S is not positive
 * definite to working precision.
 */
export function cholesky(lower: ArrayLike<number>, order: number): Float64Array | undefined {
  const factor = new Float64Array(lowerSize(order));
  for (let i = 0; i < order; i++) {
    const row = (i * (i + 1)) / 2;
    for (let j = 0; j <= i; j++) {
      const other = (j * (j + 1)) / 2;
      let sum = lower[row + j];
      for (let k = 0; k < j; k++) sum -= factor[row + k] * factor[other + k];
      if (i !== j) factor[row + j] = sum / factor[other + j];
      else if (sum > 1e-13 * Math.abs(lower[row + i])) factor[row + i] = Math.sqrt(sum);
      else return undefined;
    }
  }
  return factor;
}

/** Solves L y = x by forward substitution, into `out` (which may be `x`). */
export function solveLower(factor: ArrayLike<number>, x: ArrayLike<number>, out: Float64Array): Float64Array {
  for (let i = 0; i < out.length; i++) {
    const row = (i * (i + 1)) / 2;
    let sum = x[i];
    for (let k = 0; k < i; k++) sum -= factor[row + k] * out[k];
    out[i] = sum / factor[row + i];
  }
  return out;
}

/** ln |S| from its factor. */
export function logDeterminant(factor: ArrayLike<number>, order: number): number {
  let sum = 0;
  for (let i = 0; i < order; i++) sum += Math.log(factor[(i * (i + 1)) / 2 + i]);
  return 2 * sum;
}
