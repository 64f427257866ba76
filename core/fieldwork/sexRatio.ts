import { binomialTest, wilson } from '../probability';
import { done, failed, type Outcome } from '../problem';
import type { SexTally } from './schema';

/** A sex ratio, as the share of males among those that were sexed. */
export interface SexRatio {
  sexed: number;
  unsexed: number;
  /** Share of males among the sexed; undefined where none was. */
  share?: number;
  /** 95 % (Wilson 1927). */
  interval?: readonly [number, number];
  /** Exact two-sided binomial test against the expected share. */
  p?: number;
  expected: number;
  /** Share of males among all, if every unsexed one were a female, and if every one were a male. */
  bounds?: readonly [number, number];
}

/**
 * Males among those sexed, with Wilson's (1927) interval and an exact binomial test against an
 * expected share. The unsexed are left out of both, and shown as the bounds they leave open.
 *
 * @param expected share of males, strictly between 0 and 1.
 */
export function sexRatio({ males, females, unsexed }: SexTally, expected = 0.5): Outcome<SexRatio> {
  if (!(expected > 0 && expected < 1))
    return failed({ code: 'bad-share', message: 'The expected share of males lies between 0 and 1.', field: 'expected' });
  const sexed = males + females;
  const all = sexed + unsexed;
  const bounds = all ? ([males / all, (males + unsexed) / all] as const) : undefined;
  if (!sexed) return done({ sexed, unsexed, expected, ...(bounds ? { bounds } : {}) });
  const share = males / sexed;
  const { low, high } = wilson(share, sexed);
  return done({ sexed, unsexed, share, interval: [low, high], p: binomialTest(males, sexed, expected), expected, bounds });
}
