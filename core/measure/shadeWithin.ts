import { type Grey, rowsWithin } from './grey';
import type { PixelPoint } from './schema';
import type { Shade } from './tone';

/**
 * The shades within an outline: their mean, and the standard error of that as if each pixel were
 * a draw of its own, widened for neighbours that are alike: a lens blurs about `blur` pixels into one.
 *
 * @returns undefined where fewer than 20 pixels lie within.
 */
export function shadeWithin(grey: Grey, outline: readonly PixelPoint[], blur = 2): Shade | undefined {
  let [n, sum, squares] = [0, 0, 0];
  for (const { y, from, to } of rowsWithin(outline, grey.width, grey.height))
    for (let x = from; x <= to; x++) {
      const shade = grey.data[y * grey.width + x];
      n++;
      sum += shade;
      squares += shade * shade;
    }
  if (n < 20) return undefined;
  const mean = sum / n;
  const variance = Math.max(0, (squares - n * mean * mean) / (n - 1));
  return { mean, error: Math.sqrt((variance * blur * blur) / n) };
}
