import { done, failed, type Outcome } from '../problem';
import type { SexTally } from './schema';

const NOTATION = /^\s*(\d{1,6})\s*\.\s*(\d{1,6})\s*(?:\.\s*(\d{1,6})\s*)?$/;

/**
 * Keepers' notation, males.females.unsexed; what is not written is none.
 *
 * @example readTally('3.5.2') // { males: 3, females: 5, unsexed: 2 }
 */
export function readTally(written: string): Outcome<SexTally> {
  const found = NOTATION.exec(written);
  if (!found)
    return failed({
      code: 'bad-tally',
      message: 'Write a tally as males.females.unsexed, such as 3.5.2, or 3.5 where all are sexed.',
      field: 'tally',
    });
  const [, males, females, unsexed = '0'] = found;
  return done({ males: Number(males), females: Number(females), unsexed: Number(unsexed) });
}

/** A tally in keepers' notation, always with all three. */
export const writeTally = ({ males, females, unsexed }: SexTally): string => `${males}.${females}.${unsexed}`;
