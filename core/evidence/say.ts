/**
 * A probability as people say it: "93 in 100", "4 in 1000", "under 1 in 1000".
 * Nothing is ever said to be certain.
 */
export function inHundred(p: number): string {
  if (p < 0.001) return 'under 1 in 1000';
  if (p < 0.01) return `${Math.round(p * 1000)} in 1000`;
  if (p > 0.999) return 'over 999 in 1000';
  if (p > 0.99) return 'over 99 in 100';
  return `${Math.round(p * 100)} in 100`;
}
