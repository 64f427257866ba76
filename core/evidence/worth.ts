import type { Reading } from '../observation';
import { beamBetween } from './beam';
import type { WeighedPosterior } from './posterior';

/** What a reading says between two sides. */
export interface ReadingWorth {
  reading: Reading;
  /** For the first side; below 0 it pulls to the other. */
  bits: number;
}

/** Each reading's bits for some forms against others, from what pulls away most; and the log2 of the odds. */
export function worthBetween(
  full: WeighedPosterior,
  own: readonly number[],
  other: readonly number[],
): { readings: ReadingWorth[]; sum: number } {
  const { contributions, sum } = beamBetween(full, { forms: [...own] }, { forms: [...other] });
  const readings = full.weighed.map(({ reading }, i) => ({ reading, bits: contributions[i] }));
  return { readings: readings.sort((a, b) => a.bits - b.bits), sum };
}
