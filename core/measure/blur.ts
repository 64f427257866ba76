import type { Grey } from './grey';

/** A photo in shades that is worked on. */
export interface Shades extends Grey {
  data: Float32Array;
}

/**
 * A photo smoothed by a normal curve, along rows and then along columns; edges go on beyond it.
 *
 * @param sd in pixels; 0 or less gives a copy.
 */
export function blurred({ width, height, data }: Grey, sd: number): Shades {
  if (!(sd > 0)) return { width, height, data: new Float32Array(data) };
  const weights = kernel(sd);
  const reach = weights.length - 1;
  const middle = weights[0];
  const rows = new Float32Array(width * height);
  const line = new Float32Array(width + 2 * reach);
  for (let y = 0; y < height; y++) {
    const at = y * width;
    for (let x = 0; x < width; x++) line[x + reach] = data[at + x];
    line.fill(data[at], 0, reach);
    line.fill(data[at + width - 1], width + reach);
    for (let x = 0; x < width; x++) {
      const here = x + reach;
      let sum = middle * line[here];
      for (let k = 1; k <= reach; k++) sum += weights[k] * (line[here - k] + line[here + k]);
      rows[at + x] = sum;
    }
  }
  // Whole rows are added to one another: that is how they lie in memory.
  const out = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const to = y * width;
    for (let x = 0; x < width; x++) out[to + x] = middle * rows[to + x];
    for (let k = 1; k <= reach; k++) {
      const above = (y - k > 0 ? y - k : 0) * width;
      const below = (y + k < height ? y + k : height - 1) * width;
      const w = weights[k];
      for (let x = 0; x < width; x++) out[to + x] += w * (rows[above + x] + rows[below + x]);
    }
  }
  return { width, height, data: out };
}

/** The weights from the middle to one side: the other is the same. */
function kernel(sd: number): Float32Array {
  const reach = Math.max(1, Math.ceil(3 * sd));
  const side = Float32Array.from({ length: reach + 1 }, (_, k) => Math.exp(-0.5 * (k / sd) ** 2));
  const sum = side.reduce((so, w, k) => so + (k === 0 ? w : 2 * w), 0);
  return side.map((w) => w / sum);
}

/** Every second pixel of every second row. */
export function halved({ width, height, data }: Shades): Shades {
  const [w, h] = [Math.max(1, width >> 1), Math.max(1, height >> 1)];
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) out[y * w + x] = data[2 * y * width + 2 * x];
  return { width: w, height: h, data: out };
}
