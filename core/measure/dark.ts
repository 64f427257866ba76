import { type Grey, rowsWithin } from './grey';
import type { PixelPoint } from './schema';

/** How much of a surface is dark. */
export interface DarkShare {
  /** 0 to 1. */
  share: number;
  /** Darker than this is dark. */
  threshold: number;
  pixels: number;
  /** How much the share moves when the threshold is moved by five shades either way: how much hangs on it. */
  shaky: number;
}

/**
 * The share of an outline that is dark. The threshold is that which parts the shades best into
 * two (Otsu 1979), unless one is given.
 *
 * @returns undefined where fewer than 20 pixels lie within.
 */
export function darkShare(grey: Grey, outline: readonly PixelPoint[], given?: number): DarkShare | undefined {
  const counts = new Array<number>(256).fill(0);
  for (const { y, from, to } of rowsWithin(outline, grey.width, grey.height))
    for (let x = from; x <= to; x++) counts[Math.min(255, Math.max(0, Math.round(grey.data[y * grey.width + x])))]++;
  const pixels = counts.reduce((sum, n) => sum + n, 0);
  if (pixels < 20) return undefined;
  const threshold = given ?? otsu(counts);
  const below = (shade: number) => counts.slice(0, Math.max(0, Math.ceil(shade))).reduce((sum, n) => sum + n, 0) / pixels;
  return { share: below(threshold), threshold, pixels, shaky: (below(threshold + 5) - below(threshold - 5)) / 2 };
}

/**
 * The shade below which the darker part lies: the one with the greatest variance between the
 * two parts (Otsu 1979); the middle of several that are equally good.
 *
 * @param counts pixels by shade, 0 to 255.
 */
export function otsu(counts: readonly number[]): number {
  const total = counts.reduce((sum, n) => sum + n, 0);
  const sum = counts.reduce((so, n, shade) => so + n * shade, 0);
  let [n, dark, best] = [0, 0, -1];
  let among: number[] = [];
  counts.forEach((count, shade) => {
    n += count;
    dark += count * shade;
    if (n === 0 || n === total) return;
    const between = n * (total - n) * (dark / n - (sum - dark) / (total - n)) ** 2;
    if (between > best * (1 + 1e-12)) [best, among] = [between, [shade + 1]];
    else if (between >= best * (1 - 1e-12)) among.push(shade + 1);
  });
  return among.length ? (among[0] + among[among.length - 1]) / 2 : 128;
}
