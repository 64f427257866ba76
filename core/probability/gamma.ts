const COEFFICIENTS = [
  676.5203681218851, -1259.1392167224028, 771.32342877765313, -176.61502916214059, 12.507343278686905, -0.13857109526572012,
  9.9843695780195716e-6, 1.5056327351493116e-7,
];

/** ln Γ(x) for x > 0, to about 1e-14 relative (Lanczos 1964, g = 7, nine terms). */
export function lnGamma(x: number): number {
  const y = x - 1;
  const sum = COEFFICIENTS.reduce((total, c, i) => total + c / (y + i + 1), 0.99999999999980993);
  const t = y + 7.5;
  return Math.log(2 * Math.PI) / 2 + (y + 0.5) * Math.log(t) - t + Math.log(sum);
}
