import type { PixelPoint } from './schema';

/** A photo in shades of grey: rows from above, one number a pixel, 0 dark to 255 light. */
export interface Grey {
  width: number;
  height: number;
  data: ArrayLike<number>;
}

/** Luminance of RGBA pixels as they are stored (Rec. 709 weights on the coded values). */
export function greyOf(rgba: ArrayLike<number>, width: number, height: number): Grey {
  const data = new Float32Array(width * height);
  for (let i = 0; i < data.length; i++) data[i] = 0.2126 * rgba[4 * i] + 0.7152 * rgba[4 * i + 1] + 0.0722 * rgba[4 * i + 2];
  return { width, height, data };
}

/** The shade between pixels (bilinear); a pixel's own place is its middle. The edge goes on beyond the photo. */
export function shadeAt({ width, height, data }: Grey, x: number, y: number): number {
  const [px, py] = [Math.min(width - 1, Math.max(0, x - 0.5)), Math.min(height - 1, Math.max(0, y - 0.5))];
  const [i, j] = [Math.min(width - 2, Math.floor(px)), Math.min(height - 2, Math.floor(py))];
  if (i < 0 || j < 0) return data[Math.round(py) * width + Math.round(px)];
  const [u, v] = [px - i, py - j];
  const at = j * width + i;
  return (1 - v) * ((1 - u) * data[at] + u * data[at + 1]) + v * ((1 - u) * data[at + width] + u * data[at + width + 1]);
}

/** For each row that an outline touches, the stretches of pixels whose middles lie within it (even–odd). */
export function* rowsWithin(
  outline: readonly PixelPoint[],
  width: number,
  height: number,
): Generator<{ y: number; from: number; to: number }> {
  const top = Math.max(0, Math.floor(Math.min(...outline.map(([, y]) => y))));
  const foot = Math.min(height - 1, Math.ceil(Math.max(...outline.map(([, y]) => y))));
  for (let y = top; y <= foot; y++) {
    const cuts: number[] = [];
    outline.forEach(([x0, y0], i) => {
      const [x1, y1] = outline[(i + 1) % outline.length];
      if (y0 <= y + 0.5 !== y1 <= y + 0.5) cuts.push(x0 + ((y + 0.5 - y0) / (y1 - y0)) * (x1 - x0));
    });
    cuts.sort((a, b) => a - b);
    for (let k = 0; k + 1 < cuts.length; k += 2) {
      const from = Math.max(0, Math.ceil(cuts[k] - 0.5));
      const to = Math.min(width - 1, Math.ceil(cuts[k + 1] - 0.5) - 1);
      if (to >= from) yield { y, from, to };
    }
  }
}
