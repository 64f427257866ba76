/**
 * The error function, to about 1e-15 relative (W. J. Cody 1969, rational
 * Chebyshev approximations, as usually tabulated for double precision).
 */
export function erf(x: number): number {
  const a = Math.abs(x);
  if (a < 0.5) return x * ratio(SMALL_P, SMALL_Q, x * x);
  const tail = 1 - erfcPositive(a);
  return x < 0 ? -tail : tail;
}

/** erfc for x ≥ 0.5. */
function erfcPositive(x: number): number {
  if (x > 26.5) return 0;
  if (x <= 4) return Math.exp(-x * x) * ratio(MID_P, MID_Q, x);
  const y = 1 / (x * x);
  return (Math.exp(-x * x) / x) * (1 / Math.sqrt(Math.PI) - y * ratio(FAR_P, FAR_Q, y));
}

/** Coefficients from the highest power down. */
function ratio(p: readonly number[], q: readonly number[], x: number): number {
  return p.reduce((sum, c) => sum * x + c, 0) / q.reduce((sum, c) => sum * x + c, 0);
}

const SMALL_P = [1.85777706184603153e-1, 3.1611237438705656, 1.13864154151050156e2, 3.77485237685302021e2, 3.20937758913846947e3];
const SMALL_Q = [1, 2.36012909523441209e1, 2.44024637934444173e2, 1.28261652607737228e3, 2.84423683343917062e3];
const MID_P = [
  2.15311535474403846e-8, 5.64188496988670089e-1, 8.88314979438837594, 6.61191906371416295e1, 2.98635138197400131e2,
  8.8195222124176909e2, 1.71204761263407058e3, 2.05107837782607147e3, 1.23033935479799725e3,
];
const MID_Q = [
  1, 1.57449261107098347e1, 1.17693950891312499e2, 5.37181101862009858e2, 1.62138957456669019e3, 3.29079923573345963e3,
  4.36261909014324716e3, 3.43936767414372164e3, 1.23033935480374942e3,
];
const FAR_P = [
  1.63153871373020978e-2, 3.05326634961232344e-1, 3.60344899949804439e-1, 1.25781726111229246e-1, 1.60837851487422766e-2,
  6.58749161529837803e-4,
];
const FAR_Q = [
  1, 2.56852019228982242, 1.87295284992346725, 5.27905102951428412e-1, 6.05183413124413191e-2, 2.33520497626869185e-3,
];

/** P(X ≤ x) of a normal distribution. */
export function normalBelow(x: number, mean: number, sd: number): number {
  return (1 + erf((x - mean) / (sd * Math.SQRT2))) / 2;
}

/** P(low < X ≤ high) of a normal distribution. */
export function normalMass(low: number, high: number, mean: number, sd: number): number {
  return normalBelow(high, mean, sd) - normalBelow(low, mean, sd);
}

/**
 * The value that a standard normal falls below with probability p, to about 1e-12: by bisection.
 *
 * @param p in (0, 1).
 * @example normalQuantile(0.975) // 1.959964
 */
export function normalQuantile(p: number): number {
  let low = -40;
  let high = 40;
  while (high - low > 1e-13) {
    const middle = (low + high) / 2;
    if (middle === low || middle === high) break;
    if (normalBelow(middle, 0, 1) < p) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
