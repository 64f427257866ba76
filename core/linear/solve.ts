/**
 * Solves A x = b by Gaussian elimination with the largest pivot of each column.
 *
 * @param matrix rows of A, square; not changed. @returns undefined where A is singular to working precision.
 */
export function solve(matrix: readonly (readonly number[])[], b: readonly number[]): number[] | undefined {
  const n = b.length;
  const rows = matrix.map((row, i) => [...row, b[i]]);
  const size = Math.max(...rows.flat().map(Math.abs));
  for (let c = 0; c < n; c++) {
    const pivot = rows.slice(c).reduce((best, row, k) => (Math.abs(row[c]) > Math.abs(rows[best][c]) ? c + k : best), c);
    if (!(Math.abs(rows[pivot][c]) > 1e-14 * size)) return undefined;
    [rows[c], rows[pivot]] = [rows[pivot], rows[c]];
    for (let r = c + 1; r < n; r++) {
      const share = rows[r][c] / rows[c][c];
      if (share !== 0) for (let k = c; k <= n; k++) rows[r][k] -= share * rows[c][k];
    }
  }
  const x = new Array<number>(n).fill(0);
  for (let r = n - 1; r >= 0; r--) {
    let sum = rows[r][n];
    for (let k = r + 1; k < n; k++) sum -= rows[r][k] * x[k];
    x[r] = sum / rows[r][r];
  }
  return x;
}

/** The inverse of a square matrix; undefined where it has none to working precision. */
export function inverse(matrix: readonly (readonly number[])[]): number[][] | undefined {
  const columns = matrix.map((_, c) =>
    solve(
      matrix,
      matrix.map((__, r) => (r === c ? 1 : 0)),
    ),
  );
  if (columns.some((column) => !column)) return undefined;
  return matrix.map((_, r) => columns.map((column) => column![r]));
}
