import { garwood } from '../probability';
import { done, failed, type Outcome } from '../problem';

/** Caught per unit of effort. */
export interface CatchRate {
  caught: number;
  effort: number;
  rate: number;
  /** 95 %. */
  interval: readonly [number, number];
}

/** A net that stood for some seconds, in hours. */
const LEAST = 0.001;

/**
 * Catch per effort with Garwood's (1936) Poisson interval: exact where animals are caught
 * independently of one another; those that come in groups spread wider.
 *
 * @param caught whole, 0 or more; @param effort traps or nets × hours, a thousandth at least.
 */
export function catchRate(caught: number, effort: number): Outcome<CatchRate> {
  if (!(effort >= LEAST))
    return failed({ code: 'no-effort', message: `Effort is ${LEAST} at least: traps or nets, times hours.`, field: 'effort' });
  const { low, high } = garwood(caught);
  return done({ caught, effort, rate: caught / effort, interval: [low / effort, high / effort] });
}
