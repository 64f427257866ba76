import { wilson } from '../probability';

/** Names that were given, with how sure, and how many of them turned out to be so. */
export interface Stated {
  /** P of the name when it was given, 0..1. */
  p: number;
  right: boolean;
  /** So many alike; 1 where absent. */
  n?: number;
}

export interface ReliabilityClass {
  /** Probabilities from `from` up to `to`, the last one with its end. */
  from: number;
  to: number;
  n: number;
  /** Mean of what was stated. */
  stated: number;
  /** Share that was right, with the central 95 in 100 (Wilson 1927). */
  right: number;
  low: number;
  high: number;
}

export interface Calibration {
  n: number;
  right: number;
  /** Mean squared difference of p from 1 or 0 (Brier 1950); 0 is best, ¼ what a coin says. */
  brier: number;
  /**
   * Its parts by class (Murphy 1973): `reliability` − `resolution` + `uncertainty`, and `within`, what is lost by putting
   * unlike probabilities into one class (Stephenson et al. 2008), add up to it.
   */
  parts: { reliability: number; resolution: number; uncertainty: number; within: number };
  /** Mean log2 of what was given to what it was (Good 1952), in bits; 0 is best. */
  logScore: number;
  classes: ReliabilityClass[];
}

/** Ends of the classes: names are given high up, so there they are finer. */
const ENDS = [0, 0.5, 0.7, 0.8, 0.9, 0.95, 0.99, 1];

/** What was certain and wrong costs no more than this, in bits. */
const CERTAIN = 2 ** -20;

/**
 * How far stated probabilities can be relied on.
 *
 * @returns undefined where nothing is known yet.
 */
export function calibrationOf(all: readonly Stated[]): Calibration | undefined {
  const n = sumOf(all, () => 1);
  if (n === 0) return undefined;
  const right = sumOf(all, (one) => (one.right ? 1 : 0));
  const base = right / n;
  const brier = sumOf(all, (one) => (one.p - (one.right ? 1 : 0)) ** 2) / n;
  const classes = ENDS.slice(1).flatMap((to, k): ReliabilityClass[] => {
    const from = ENDS[k];
    const own = all.filter(({ p }) => p >= from && (p < to || (to === 1 && p === 1)));
    const m = sumOf(own, () => 1);
    if (m === 0) return [];
    const share = sumOf(own, (one) => (one.right ? 1 : 0)) / m;
    return [{ from, to, n: m, stated: sumOf(own, ({ p }) => p) / m, right: share, ...wilson(share, m) }];
  });
  const part = (value: (one: ReliabilityClass) => number) => classes.reduce((sum, one) => sum + one.n * value(one), 0) / n;
  const reliability = part(({ stated, right: share }) => (stated - share) ** 2);
  const resolution = part(({ right: share }) => (share - base) ** 2);
  const uncertainty = base * (1 - base);
  return {
    ...{ n, right, brier, classes },
    parts: { reliability, resolution, uncertainty, within: brier - (reliability - resolution + uncertainty) },
    logScore: sumOf(all, (one) => Math.log2(Math.max(CERTAIN, one.right ? one.p : 1 - one.p))) / n,
  };
}

const sumOf = (all: readonly Stated[], value: (one: Stated) => number): number =>
  all.reduce((sum, one) => sum + (one.n ?? 1) * value(one), 0);

/** Names that are given from a probability on, and how many of them are wrong. */
export interface AtThreshold {
  threshold: number;
  names: number;
  wrong: number;
}

/** What would be named if names were given from some probability on, and how much of it would be wrong. */
export const atThresholds = (all: readonly Stated[], thresholds: readonly number[]): AtThreshold[] =>
  thresholds.map((threshold) => {
    const named = all.filter(({ p }) => p >= threshold);
    return { threshold, names: sumOf(named, () => 1), wrong: sumOf(named, (one) => (one.right ? 0 : 1)) };
  });
