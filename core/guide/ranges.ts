import { normalBelow } from '../probability';
import { type Outcome, done, failed } from '../problem';

/** A published range as printed: `b–c` is the usual span, `a` and `d` the extremes in brackets. */
export interface PublishedRange {
  low: number;
  high: number;
  lowest?: number;
  highest?: number;
}

/** Mean and standard deviation on the working scale (natural logarithms where `log`). */
export interface Spread {
  mean: number;
  sd: number;
}

/** Standard normal quantiles of the central 95 %, 90 % and 99.5 %. */
const Z95 = 1.959963984540054;
const Z90 = 1.6448536269514722;
const Z995 = 2.807033768343811;

const NUMBER = String.raw`(\d+(?:\.\d+)?)`;
const RANGE = new RegExp(`^(?:\\(${NUMBER}[–-]\\))?${NUMBER}(?:[–-]${NUMBER})?(?:\\([–-]${NUMBER}\\))?$`);

/**
 * Read a range as the literature prints it: `31–38`, `(28–)31–38(–41)`. Hyphens
 * stand for dashes; units are not part of it.
 *
 * @returns the range, or `range-unreadable` / `range-backwards`.
 */
export function parseRange(text: string): Outcome<PublishedRange> {
  const match = RANGE.exec(text.replace(/\s+/g, ''));
  if (!match || match[3] === undefined) {
    return failed({ code: 'range-unreadable', message: `“${text}” is not a range such as 31–38 or (28–)31–38(–41).` });
  }
  const [lowest, low, high, highest] = [match[1], match[2], match[3], match[4]].map((part) =>
    part === undefined ? undefined : Number(part),
  );
  const ascending = [lowest, low, high, highest].filter((n): n is number => n !== undefined);
  if (ascending.some((n, i) => i > 0 && n < ascending[i - 1]) || low === high) {
    return failed({ code: 'range-backwards', message: `“${text}” does not rise from left to right.` });
  }
  return done({ low: low!, high: high!, lowest, highest });
}

/** Print a range as {@link parseRange} reads it. */
export function printRange(range: PublishedRange): string {
  const before = range.lowest === undefined ? '' : `(${range.lowest}–)`;
  const after = range.highest === undefined ? '' : `(–${range.highest})`;
  return `${before}${range.low}–${range.high}${after}`;
}

/**
 * The normal distribution a published range stands for. Without bracketed
 * extremes `b–c` is taken as the central 95 %; with them `b–c` is the central
 * 90 % and `a–d` the central 99.5 %, and the two spreads are averaged. Where it is
 * told of how many specimens, the outermost ends are the least and the greatest of
 * n, which lie d₂(n) standard deviations apart on average (Tippett 1925).
 * With `log`, mean and sd are of the natural logarithm (sizes above 0 only).
 *
 * @param n specimens behind the range; 1 tells no spread and is passed over.
 * @example rangeSpread({ low: 30, high: 40 }, false) // mean 35, sd 2.551
 */
export function rangeSpread(range: PublishedRange, log: boolean, n?: number): Spread {
  const on = (x: number) => (log ? Math.log(x) : x);
  const low = on(range.low);
  const high = on(range.high);
  const mean = (low + high) / 2;
  const half = (high - low) / 2;
  const apart = n !== undefined && n > 1 ? expectedRange(n) / 2 : undefined;
  const extremes: number[] = [];
  if (range.lowest !== undefined) extremes.push((mean - on(range.lowest)) / (apart ?? Z995));
  if (range.highest !== undefined) extremes.push((on(range.highest) - mean) / (apart ?? Z995));
  if (extremes.length === 0) return { mean, sd: half / (apart ?? Z95) };
  const outer = extremes.reduce((a, b) => a + b, 0) / extremes.length;
  return { mean, sd: (half / Z90 + outer) / 2 };
}

/** Steps of the integral for {@link expectedRange}, over ±8 standard deviations. */
const STEPS = 400;

/** d₂(n): the expected range of n standard normal deviates, ∫ 1 − Φⁿ − (1 − Φ)ⁿ (Tippett 1925). n ≥ 2. */
export function expectedRange(n: number): number {
  const step = 16 / STEPS;
  let sum = 0;
  for (let k = 0; k < STEPS; k++) {
    const below = normalBelow(-8 + (k + 0.5) * step, 0, 1);
    sum += 1 - below ** n - (1 - below) ** n;
  }
  return sum * step;
}
