import type { MoreRepeats } from './moreRepeats';

/** In how many of ten it is the error rather than the animal. */
const MOSTLY = 5;

/** Is it the error rather than the animal that keeps it open, and would repeats help? */
export const isByError = ({ exact, repeats }: MoreRepeats): boolean => repeats !== undefined && exact >= MOSTLY;

/** In words: what keeps it open, and what more repeats would do. */
export function sayMoreRepeats(found: MoreRepeats, label: string): string {
  const { level, needsMore, exact, repeats } = found;
  const open = level.kind === 'rank' ? level.rank : level.facet;
  const what = label.toLowerCase();
  if (!repeats) return `However well ${what} is measured, it would hardly settle the ${open}: here the forms themselves overlap.`;
  if (!isByError(found))
    return `A better measurement of ${what} would help to settle the ${open} in ${exact} of 10 at best: mostly the forms themselves overlap here.`;
  const times = repeats.more === 1 ? 'One more repeat' : `${repeats.more} more repeats`;
  const would = needsMore ? 'make it probable enough' : 'settle it';
  return `The measuring error, and not the animal, keeps the ${open} open. ${times} of ${what} would ${would} in ${repeats.of10} of 10${
    needsMore ? '; it needs other characters too' : ''
  }.`;
}
