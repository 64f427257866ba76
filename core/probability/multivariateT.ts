import { lnGamma } from './gamma';

/**
 * ln density of a multivariate t whose covariance (not its scale) is the one
 * given, so that ν only changes the tails; a normal where ν is absent.
 *
 * @param degrees ν > 2. @param order number of values.
 * @returns a function of the squared Mahalanobis distance and ln |covariance|.
 */
export function multivariateT(degrees: number | undefined, order: number): (distance: number, lnDeterminant: number) => number {
  const half = order / 2;
  if (degrees === undefined) {
    const constant = -half * Math.log(2 * Math.PI);
    return (distance, lnDeterminant) => constant - (lnDeterminant + distance) / 2;
  }
  // The scale matrix is (ν − 2)/ν of the covariance.
  const constant = lnGamma(degrees / 2 + half) - lnGamma(degrees / 2) - half * Math.log(Math.PI * (degrees - 2));
  return (distance, lnDeterminant) => constant - lnDeterminant / 2 - (degrees / 2 + half) * Math.log1p(distance / (degrees - 2));
}
