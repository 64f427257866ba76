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
  if (!(sd > 0)) return { width, height, data: Float32Array.from(data) };
  const weights = kernel(sd);
  const reach = (weights.length - 1) / 2;
  const rows = new Float32Array(width * height);
  const line = new Float32Array(width + 2 * reach);
  for (let y = 0; y < height; y++) {
    const at = y * width;
    for (let x = -reach; x < width + reach; x++) line[x + reach] = data[at + Math.min(width - 1, Math.max(0, x))];
    for (let x = 0; x < width; x++) {
      let sum = 0;
      for (let k = 0; k < weights.length; k++) sum += weights[k] * line[x + k];
      rows[at + x] = sum;
    }
  }
  // Whole rows are added to one another: that is how they lie in memory.
  const out = new Float32Array(width * height);
  for (let y = 0; y < height; y++) {
    const to = y * width;
    for (let k = 0; k < weights.length; k++) {
      const from = Math.min(height - 1, Math.max(0, y + k - reach)) * width;
      const w = weights[k];
      for (let x = 0; x < width; x++) out[to + x] += w * rows[from + x];
    }
  }
  return { width, height, data: out };
}

function kernel(sd: number): Float32Array {
  const reach = Math.max(1, Math.ceil(3 * sd));
  const weights = Float32Array.from({ length: 2 * reach + 1 }, (_, k) => Math.exp(-0.5 * ((k - reach) / sd) ** 2));
  const sum = weights.reduce((so, w) => so + w, 0);
  return weights.map((w) => w / sum);
}

/** Every second pixel of every second row. */
export function halved({ width, height, data }: Shades): Shades {
  const [w, h] = [Math.max(1, width >> 1), Math.max(1, height >> 1)];
  const out = new Float32Array(w * h);
  for (let y = 0; y < h; y++) for (let x = 0; x < w; x++) out[y * w + x] = data[2 * y * width + 2 * x];
  return { width: w, height: h, data: out };
}
