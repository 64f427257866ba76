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

/** ln of n over k, for whole 0 ≤ k ≤ n. */
export const lnChoose = (n: number, k: number): number => lnGamma(n + 1) - lnGamma(k + 1) - lnGamma(n - k + 1);

/**
 * P(X ≤ x) of a gamma deviate of scale 1, the regularised incomplete gamma function P(a, x), to about
 * 1e-14: its series (DLMF 8.11.4) below a + 1, the continued fraction (DLMF 8.9.2, by Lentz 1976) above.
 *
 * @param a shape > 0.
 */
export function gammaBelow(x: number, a: number): number {
  if (!(x > 0)) return 0;
  if (x === Number.POSITIVE_INFINITY) return 1;
  const front = Math.exp(a * Math.log(x) - x - lnGamma(a));
  if (x < a + 1) {
    let [term, sum] = [1 / a, 1 / a];
    for (let n = 1; n < 100_000 && term > sum * 1e-17; n++) sum += term *= x / (a + n);
    return Math.min(1, front * sum);
  }
  let b = x + 1 - a;
  let c = 1e300;
  let d = 1 / b;
  let sum = d;
  for (let n = 1; n < 100_000; n++) {
    const k = n * (a - n);
    b += 2;
    d = 1 / (k * d + b);
    c = b + k / c;
    sum *= c * d;
    if (Math.abs(c * d - 1) < 1e-16) break;
  }
  return 1 - front * sum;
}

/**
 * The value that a gamma deviate of scale 1 falls below with probability p, by bisection; 1e-13 relative.
 * Half a χ² with ν degrees of freedom is one of shape ν / 2.
 *
 * @param p in (0, 1); @param a shape > 0.
 */
export function gammaQuantile(p: number, a: number): number {
  let [low, high] = [0, Math.max(1, a)];
  while (gammaBelow(high, a) < p) [low, high] = [high, high * 2];
  for (let step = 0; step < 200 && high - low > 1e-14 * high; step++) {
    const middle = (low + high) / 2;
    if (gammaBelow(middle, a) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
