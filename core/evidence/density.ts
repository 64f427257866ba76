const SQRT_2PI = Math.sqrt(2 * Math.PI);
/** The tail component is this many times wider. */
export const TAIL_WIDTH = 4;
const TAIL_EXPONENT = -1 / (2 * TAIL_WIDTH * TAIL_WIDTH);
/** Densities below this are worked out in logarithms. */
export const SMALLEST = 1e-150;

/**
 * Density of a standard value with a share `tail` of the mass in a component four
 * times wider, so that one giant does not decide alone. exp(−z²/2) is the 16th
 * power of the tail's exp(−z²/32): one exponential a call.
 *
 * @param z2 squared distance from the mean, in standard deviations.
 */
export function tailedDensity(z2: number, tail: number): number {
  const e = Math.exp(z2 * TAIL_EXPONENT);
  const e4 = e * e * e * e;
  return ((1 - tail) * e4 * e4 * e4 * e4 + (tail / TAIL_WIDTH) * e) / SQRT_2PI;
}

/** Natural logarithm of {@link tailedDensity}, for any distance. */
export function tailedLogDensity(z2: number, tail: number): number {
  const near = Math.log(1 - tail) - z2 / 2;
  if (tail === 0) return near - Math.log(SQRT_2PI);
  const far = Math.log(tail / TAIL_WIDTH) + z2 * TAIL_EXPONENT;
  const [most, least] = near > far ? [near, far] : [far, near];
  return most + Math.log1p(Math.exp(least - most)) - Math.log(SQRT_2PI);
}
