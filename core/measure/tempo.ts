import { intervalOf } from './scale';

/** How fast something beats. */
export interface Tempo {
  /** Beats a second. */
  rate: number;
  /** Standard error, and what it rests on. */
  sd: number;
  df: number;
  interval: [number, number];
  gaps: number;
  /** Gaps that are left out, each by its number and what it looks like. */
  odd: { gap: number; looks: 'a beat was missed' | 'a beat too many' | 'out of time' }[];
}

/** A gap further than this from the median, in the median deviation's own standard deviations, is odd. */
const ODD = 5;
/** And one that is within this share of the median never is. */
const ALIKE = 0.2;
/** Seconds that times are told in, where nobody says. */
const LEAST_STEP = 0.001;

/**
 * A rate from the times of beats, tapped or marked: one over the mean gap, with the standard
 * error of that. Gaps are held against their median by the median deviation (Hampel 1974): a gap of about two,
 * or a half, is a tap that was missed or doubled; it is named and left out.
 *
 * Beats that are quite even have an error too: no time is known better than the step it is told in (uniform over it,
 * 1 ÷ √12; Sheppard 1898), and the mean gap rests on the first and the last.
 *
 * @param seconds at least four times, in any order. @param step that they are told in, in seconds: that of a film's
 *   pictures, say.
 * @returns undefined for fewer, or where all are one.
 */
export function tempoOf(seconds: readonly number[], step = LEAST_STEP): Tempo | undefined {
  const times = [...seconds].sort((a, b) => a - b);
  const gaps = times.slice(1).map((t, i) => t - times[i]);
  if (gaps.length < 3) return undefined;
  const usual = median(gaps);
  if (!(usual > 0)) return undefined;
  const far = Math.max(ODD * 1.4826 * median(gaps.map((gap) => Math.abs(gap - usual))), ALIKE * usual);
  const odd = gaps.flatMap((gap, i) => (Math.abs(gap - usual) > far ? [{ gap: i, looks: looksLike(gap / usual) }] : []));
  const left = new Set(odd.map(({ gap }) => gap));
  const kept = gaps.filter((_, i) => !left.has(i));
  if (kept.length < 2) return undefined;
  const n = kept.length;
  const mean = kept.reduce((sum, gap) => sum + gap, 0) / n;
  const spread = Math.sqrt(kept.reduce((sum, gap) => sum + (gap - mean) ** 2, 0) / (n - 1) / n);
  const error = Math.max(spread, step / Math.sqrt(6) / n);
  const [rate, sd, df] = [1 / mean, error / mean ** 2, n - 1];
  const [low, high] = intervalOf(rate, sd, df);
  return { rate, sd, df, interval: [Math.max(0, low), high], gaps: n, odd };
}

function looksLike(times: number): Tempo['odd'][number]['looks'] {
  if (times > 1.6 && Math.abs(times - Math.round(times)) < 0.35) return 'a beat was missed';
  return times < 0.7 ? 'a beat too many' : 'out of time';
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  const middle = Math.floor(sorted.length / 2);
  return sorted.length % 2 ? sorted[middle] : (sorted[middle - 1] + sorted[middle]) / 2;
}
