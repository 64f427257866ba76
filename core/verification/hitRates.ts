import { wilson } from '../probability';

/** How often something was right, of so many times. */
export interface HitRate {
  n: number;
  hits: number;
  /** The share, with the central 95 in 100 (Wilson 1927). */
  rate: number;
  low: number;
  high: number;
}

/** How often each was right of those times it was counted; first what surely is wrong most often, by the upper end of what is likely. */
export const hitRates = <Counted extends { n: number; hits: number }>(counted: readonly Counted[]): (Counted & HitRate)[] =>
  counted
    .filter(({ n }) => n > 0)
    .map((one) => ({ ...one, rate: one.hits / one.n, ...wilson(one.hits / one.n, one.n) }))
    .sort((a, b) => a.high - b.high || b.n - a.n);
