import { tQuantile } from '../probability';
import type { Scale } from './schema';

/** How large a pixel is. */
export interface PixelSize {
  /** Millimetres per pixel. */
  mm: number;
  /** Its standard error, relative: a share of it. */
  relative: number;
  /** How far the references differ, at most: a share; 0 where there is one. */
  disagreement: number;
}

type Lengths = Extract<Scale, { kind: 'lengths' }>['references'];

/** Millimetres a pixel by one known length, as its ends lie; undefined where they lie on one another. */
export function mmPerPixel({ ends: [a, b], mm }: Pick<Lengths[number], 'ends' | 'mm'>): number | undefined {
  const pixels = Math.hypot(b[0] - a[0], b[1] - a[1]);
  return pixels > 0 ? mm / pixels : undefined;
}

/** Two references that differ by more than this share show that the photo is tilted, or one of them wrong. */
export const TILT_SHARE = 0.03;

/**
 * Millimetres per pixel from lengths that are known: the mean of what each says, weighed by
 * its precision. Each end is pointed at with the standard deviation given; a bar's own
 * tolerance is added, and what they differ by beyond that.
 *
 * @param pointingSd in pixels, along x and along y. @returns undefined where a reference has no length.
 */
export function pixelSize(references: Lengths, pointingSd: number): PixelSize | undefined {
  const each = references.map(({ ends: [a, b], mm, error = 0 }) => {
    const pixels = Math.hypot(b[0] - a[0], b[1] - a[1]);
    // The same upward bend as of any length that is pointed at: see pathLength.
    const length = pixels - pointingSd ** 2 / pixels;
    return { mm: mm / length, relative: Math.hypot((Math.SQRT2 * pointingSd) / length, error / mm), pixels };
  });
  if (each.some(({ pixels, mm }) => !(pixels > 0) || !(mm > 0) || !Number.isFinite(mm))) return undefined;
  const own = each.map(({ relative }) => Math.max(relative, 1e-9) ** 2);
  const first = joined(each, own);
  // What they differ by beyond their own errors is an error of each (DerSimonian & Laird 1986).
  const weights = own.map((variance) => 1 / variance);
  const [sum, squares] = [weights.reduce((a, b) => a + b, 0), weights.reduce((a, b) => a + b * b, 0)];
  const spread = each.reduce((q, one, i) => q + weights[i] * ((one.mm - first.mm) / first.mm) ** 2, 0);
  const among = each.length > 1 ? Math.max(0, (spread - (each.length - 1)) / (sum - squares / sum)) : 0;
  const { mm, relative } = joined(
    each,
    own.map((variance) => variance + among),
  );
  const sizes = each.map((one) => one.mm);
  return { mm, relative, disagreement: (Math.max(...sizes) - Math.min(...sizes)) / mm };
}

/** The mean weighed by precision, with its relative error. */
function joined(each: readonly { mm: number }[], variances: readonly number[]): { mm: number; relative: number } {
  const total = variances.reduce((sum, variance) => sum + 1 / variance, 0);
  return { mm: each.reduce((sum, one, i) => sum + one.mm / variances[i], 0) / total, relative: 1 / Math.sqrt(total) };
}

/** The central 95 % of a t about a value. */
export function intervalOf(value: number, sd: number, df = Number.POSITIVE_INFINITY): [number, number] {
  const reach = sd === 0 ? 0 : tQuantile(0.975, df) * sd;
  return [value - reach, value + reach];
}
