import { type Grey, shadeAt } from './grey';
import type { PixelPoint } from './schema';

/** Stripes across a line that was drawn. */
export interface Stripes {
  /** From one stripe to the next, in pixels along the line. */
  spacing: number;
  /** Standard error of it. */
  sd: number;
  /** How regular they are: the height of the first peak, 0 to 1. */
  regular: number;
  /** How many are crossed. */
  crossed: number;
}

/** A peak lower than this, or than noise alone makes in so many pixels, is none. */
const LEAST_REGULAR = 0.2;
const NOISE = 3;

/**
 * How far stripes are apart: the first peak of the autocorrelation of the shades along a line,
 * placed between samples by a parabola. Its error is that of the gaps between the stripes.
 *
 * @returns undefined where nothing repeats at least twice along it.
 */
export function stripesAlong(grey: Grey, from: PixelPoint, to: PixelPoint): Stripes | undefined {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const n = Math.floor(length * 2);
  if (n < 16) return undefined;
  const step = length / n;
  const shades = Array.from({ length: n + 1 }, (_, i) =>
    shadeAt(grey, from[0] + ((to[0] - from[0]) * i) / n, from[1] + ((to[1] - from[1]) * i) / n),
  );
  const flat = withoutSlope(shades);
  const power = flat.reduce((sum, x) => sum + x * x, 0) / flat.length;
  if (!(power > 1e-9)) return undefined;
  const most = Math.floor(flat.length / 2);
  const like = Array.from({ length: most + 1 }, (_, lag) => {
    let sum = 0;
    for (let i = 0; i + lag < flat.length; i++) sum += flat[i] * flat[i + lag];
    return sum / (flat.length - lag) / power;
  });
  const below = like.findIndex((r) => r < 0);
  if (below < 0) return undefined;
  const first = like.findIndex(
    (r, lag) =>
      lag > below &&
      r > Math.max(LEAST_REGULAR, NOISE / Math.sqrt(length - lag * step)) &&
      r >= like[lag - 1] &&
      lag < most &&
      r > like[lag + 1],
  );
  if (first < 0) return undefined;
  const [a, b, c] = [like[first - 1], like[first], like[first + 1]];
  const spacing = (first + (0.5 * (a - c)) / (a - 2 * b + c)) * step;
  const gaps = risings(flat)
    .map((at, i, all) => (i === 0 ? NaN : (at - all[i - 1]) * step))
    .slice(1);
  const crossed = Math.max(2, Math.round(length / spacing));
  const mean = gaps.reduce((sum, g) => sum + g, 0) / (gaps.length || 1);
  const spread = gaps.length > 1 ? Math.sqrt(gaps.reduce((sum, g) => sum + (g - mean) ** 2, 0) / (gaps.length - 1)) : spacing / 4;
  return { spacing, sd: spread / Math.sqrt(Math.max(1, gaps.length)), regular: Math.min(1, b), crossed };
}

/** Less its straight line: light that falls off to one side is no stripe. */
function withoutSlope(values: readonly number[]): number[] {
  const n = values.length;
  const middle = (n - 1) / 2;
  const mean = values.reduce((sum, v) => sum + v, 0) / n;
  let [xy, xx] = [0, 0];
  values.forEach((v, i) => {
    xy += (i - middle) * (v - mean);
    xx += (i - middle) ** 2;
  });
  return values.map((v, i) => v - mean - (xy / xx) * (i - middle));
}

/** Where the shades rise through 0, between samples. */
const risings = (flat: readonly number[]): number[] =>
  flat.flatMap((v, i) => (i > 0 && flat[i - 1] < 0 && v >= 0 ? [i - 1 + flat[i - 1] / (flat[i - 1] - v)] : []));
