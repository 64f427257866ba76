import { lnGamma } from './gamma';
import { normalBelow, normalQuantile } from './normalCurve';

/** Above this many degrees of freedom a t is a normal to about 1e-6. */
const MANY = 1e6;

/**
 * P(T ≤ t) of Student's t.
 *
 * @param degrees ν > 0; need not be whole (Welch 1947), and may be infinite.
 */
export function tBelow(t: number, degrees: number): number {
  if (degrees > MANY) return normalBelow(t, 0, 1);
  const tail = 0.5 * betaBelow(degrees / (degrees + t * t), degrees / 2, 0.5);
  return t > 0 ? 1 - tail : tail;
}

/**
 * The value that T falls below with probability p, to 1e-11 relative: Newton's steps on the tail, halving where one would leave the bracket.
 *
 * @param p in (0, 1); @param degrees ν > 0; infinite gives the normal.
 * @example tQuantile(0.975, 4) // 2.776445
 */
export function tQuantile(p: number, degrees: number): number {
  if (degrees > MANY) return normalQuantile(p);
  if (p < 0.5) return -tQuantile(1 - p, degrees);
  if (p === 0.5) return 0;
  let [low, high] = [0, 2];
  while (tBelow(high, degrees) < p && high < 1e300) [low, high] = [high, high * 4];
  const lnDensity0 = lnGamma((degrees + 1) / 2) - lnGamma(degrees / 2) - 0.5 * Math.log(degrees * Math.PI);
  let t = (low + high) / 2;
  for (let step = 0; step < 200; step++) {
    const below = tBelow(t, degrees);
    if (below < p) low = t;
    else high = t;
    const density = Math.exp(lnDensity0 - ((degrees + 1) / 2) * Math.log1p((t * t) / degrees));
    const next = t - (below - p) / density;
    const kept = next > low && next < high ? next : (low + high) / 2;
    if (Math.abs(kept - t) <= 1e-12 * t) return kept;
    t = kept;
  }
  return t;
}

/**
 * The regularised incomplete beta function I_x(a, b), to about 1e-14: the continued
 * fraction of DLMF 8.17.22 by Lentz's (1976) method, on the side where it converges fast.
 */
function betaBelow(x: number, a: number, b: number): number {
  if (!(x > 0)) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(lnGamma(a + b) - lnGamma(a) - lnGamma(b) + a * Math.log(x) + b * Math.log1p(-x));
  return x < (a + 1) / (a + b + 2) ? (front * fraction(x, a, b)) / a : 1 - (front * fraction(1 - x, b, a)) / b;
}

const TINY = 1e-300;

function fraction(x: number, a: number, b: number): number {
  const kept = (value: number) => (Math.abs(value) < TINY ? TINY : value);
  let c = 1;
  let d = 1 / kept(1 - ((a + b) * x) / (a + 1));
  let sum = d;
  for (let m = 1; m <= 1000; m++) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / kept(1 + even * d);
    c = kept(1 + even / c);
    sum *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / kept(1 + odd * d);
    c = kept(1 + odd / c);
    sum *= d * c;
    if (Math.abs(d * c - 1) < 1e-15) break;
  }
  return sum;
}

/**
 * The value that F falls below with probability p, by bisection on I_x; 1e-12 relative.
 *
 * @param p in (0, 1); @param upper, lower degrees of freedom of numerator and denominator.
 */
export function fQuantile(p: number, upper: number, lower: number): number {
  let [low, high] = [0, 1];
  while (high - low > 1e-15) {
    const middle = (low + high) / 2;
    if (middle === low || middle === high) break;
    if (betaBelow(middle, upper / 2, lower / 2) < p) low = middle;
    else high = middle;
  }
  const x = (low + high) / 2;
  return (lower * x) / (upper * (1 - x));
}
