/**
 * Eigenvalues and eigenvectors of a small symmetric matrix by Jacobi's (1846) rotations,
 * swept until nothing is left off the diagonal to working precision.
 *
 * @param matrix rows; it is not changed.
 * @returns from the smallest value up; `vectors[k]` belongs to `values[k]` and has length 1.
 */
export function eigenSymmetric(matrix: readonly (readonly number[])[]): { values: number[]; vectors: number[][] } {
  const n = matrix.length;
  const a = matrix.map((row) => [...row]);
  const v = a.map((_, i) => a.map((__, j) => (i === j ? 1 : 0)));
  for (let sweep = 0; sweep < 60; sweep++) {
    let off = 0;
    let size = 0;
    for (let i = 0; i < n; i++)
      for (let j = 0; j < n; j++) {
        if (i === j) size += a[i][i] ** 2;
        else off += a[i][j] ** 2;
      }
    if (off <= 1e-30 * size) break;
    for (let p = 0; p < n - 1; p++) for (let q = p + 1; q < n; q++) rotate(a, v, p, q);
  }
  const order = a.map((_, i) => i).sort((i, j) => a[i][i] - a[j][j]);
  return { values: order.map((i) => a[i][i]), vectors: order.map((i) => v.map((row) => row[i])) };
}

function rotate(a: number[][], v: number[][], p: number, q: number): void {
  if (a[p][q] === 0) return;
  const theta = (a[q][q] - a[p][p]) / (2 * a[p][q]);
  const t = (theta < 0 ? -1 : 1) / (Math.abs(theta) + Math.hypot(1, theta));
  const c = 1 / Math.hypot(1, t);
  const s = t * c;
  for (let k = 0; k < a.length; k++) {
    const [kp, kq] = [a[k][p], a[k][q]];
    a[k][p] = c * kp - s * kq;
    a[k][q] = s * kp + c * kq;
  }
  for (let k = 0; k < a.length; k++) {
    const [pk, qk] = [a[p][k], a[q][k]];
    a[p][k] = c * pk - s * qk;
    a[q][k] = s * pk + c * qk;
    const [vp, vq] = [v[k][p], v[k][q]];
    v[k][p] = c * vp - s * vq;
    v[k][q] = s * vp + c * vq;
  }
}
