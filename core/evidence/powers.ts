/** log2 Σ 2^bits. */
export function sumOfPowers(bits: readonly number[]): number {
  const most = Math.max(...bits);
  return Number.isFinite(most) ? most + Math.log2(bits.reduce((sum, b) => sum + 2 ** (b - most), 0)) : most;
}
