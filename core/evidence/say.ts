/**
 * A probability as people say it: "93 in 100", "4 in 1000", "under 1 in 1000".
 * Nothing is ever said to be certain.
 */
export function inHundred(p: number): string {
  if (p < 0.001) return 'under 1 in 1000';
  if (p < 0.0095) return `${Math.round(p * 1000)} in 1000`;
  if (p > 0.999) return 'over 999 in 1000';
  if (p > 0.99) return 'over 99 in 100';
  return `${Math.round(p * 100)} in 100`;
}

/** The same where there is room for a number only, of a hundred: "93", "<1", ">99". */
export function ofHundred(p: number): string {
  if (p < 0.01) return '<1';
  return p > 0.99 ? '>99' : String(Math.round(p * 100));
}

/** A probability that falls short of another, never said in the same words: "94.9 in 100" where 95 are asked. */
export function shortOf(p: number, asked: number): string {
  const said = inHundred(p);
  if (said !== inHundred(asked)) return said;
  return p < 0.9995 ? `${(Math.floor(p * 1000) / 10).toFixed(1)} in 100` : 'a little less';
}

/** A probability that something stays at or above: "at 84 in 100 or more", "at over 99 in 100 still". */
export function orMore(p: number): string {
  const said = inHundred(p);
  if (said.startsWith('under')) return 'though with little more than the others';
  return said.startsWith('over') ? `still at ${said}` : `at ${said} or more`;
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five'];

/** A small number as a word: "three", "12". */
export const counted = (n: number): string => NUMBERS[n] ?? String(n);
