/** Standard normal quantile of a central 95 %. */
const Z = 1.959963984540054;

/**
 * Wilson's (1927) 95 % interval for a share.
 *
 * @param share observed, 0..1; @param n how many it was observed on; need not be whole.
 * @example wilson(0, 10) // { low: 0, high: 0.2775 }
 */
export function wilson(share: number, n: number): { low: number; high: number } {
  const z2 = (Z * Z) / n;
  const middle = (share + z2 / 2) / (1 + z2);
  const half = (Math.sqrt((share * (1 - share)) / n + z2 / (4 * n)) * Z) / (1 + z2);
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}
