import type { Grey } from './grey';

/** A photo in shades that is worked on. */
export interface Shades extends Grey {
  data: Float32Array;
}

/** Pairs of neighbours that are added in one pass over a row: more would not stay in the registers. */
const AT_ONCE = 4;

/**
 * A photo smoothed by a normal curve, along columns and then along rows; edges go on beyond it.
 *
 * @param sd in pixels; 0 or less gives a copy.
 */
export function blurred({ width, height, data }: Grey, sd: number): Shades {
  if (!(sd > 0)) return { width, height, data: new Float32Array(data) };
  const shades = data instanceof Float32Array ? data : new Float32Array(data);
  const weights = kernel(sd);
  const reach = weights.length - 1;
  const out = new Float32Array(width * height);
  const line = new Float64Array(width + 2 * reach);
  for (let y = 0; y < height; y++) {
    // Whole rows are added to one another: that is how they lie in memory.
    const row = (far: number) => Math.max(0, Math.min(height - 1, y + far)) * width;
    weighRows(line, reach, shades, row, weights, width);
    for (let k = 1 + AT_ONCE; k <= reach; k += AT_ONCE) addPairs(line, reach, shades, row, weights, k, width);
    line.fill(line[reach], 0, reach);
    line.fill(line[reach + width - 1], reach + width);
    weighAlong(out, y * width, line, reach, weights, width);
    for (let k = 1 + AT_ONCE; k <= reach; k += AT_ONCE) addPairs(out, y * width, line, (far) => reach + far, weights, k, width);
  }
  return { width, height, data: out };
}

/**
 * What stands in a row and its `AT_ONCE` nearest above and below, weighed; written over what was there.
 *
 * @param begin where the row so far off begins; above where negative.
 */
function weighRows(
  out: Float64Array,
  to: number,
  from: Float32Array,
  begin: (far: number) => number,
  weights: Float32Array,
  count: number,
): void {
  const [w0, w1, w2, w3, w4] = [weights[0], weights[1], weights[2], weights[3], weights[4]];
  const [a0, a1, a2, a3, a4] = [begin(0), begin(-1), begin(-2), begin(-3), begin(-4)];
  const [b1, b2, b3, b4] = [begin(1), begin(2), begin(3), begin(4)];
  for (let x = 0; x < count; x++)
    out[to + x] =
      w0 * from[a0 + x] +
      w1 * (from[a1 + x] + from[b1 + x]) +
      w2 * (from[a2 + x] + from[b2 + x]) +
      w3 * (from[a3 + x] + from[b3 + x]) +
      w4 * (from[a4 + x] + from[b4 + x]);
}

/** The same along a row that begins at `begin`: each shade is fetched once and handed on to the next place. */
function weighAlong(
  out: Float32Array,
  to: number,
  from: Float64Array,
  begin: number,
  weights: Float32Array,
  count: number,
): void {
  const [w0, w1, w2, w3, w4] = [weights[0], weights[1], weights[2], weights[3], weights[4]];
  let [a4, a3, a2, a1] = [from[begin - 4], from[begin - 3], from[begin - 2], from[begin - 1]];
  let [a0, b1, b2, b3] = [from[begin], from[begin + 1], from[begin + 2], from[begin + 3]];
  for (let x = 0; x < count; x++) {
    const b4 = from[begin + x + 4];
    out[to + x] = w0 * a0 + w1 * (a1 + b1) + w2 * (a2 + b2) + w3 * (a3 + b3) + w4 * (a4 + b4);
    a4 = a3;
    a3 = a2;
    a2 = a1;
    a1 = a0;
    a0 = b1;
    b1 = b2;
    b2 = b3;
    b3 = b4;
  }
}

/**
 * Adds the neighbours from the `k`-th to the one `AT_ONCE` − 1 further on, of both sides; `begin` as there.
 */
function addPairs(
  out: Float32Array | Float64Array,
  to: number,
  from: Float32Array | Float64Array,
  begin: (far: number) => number,
  weights: Float32Array,
  k: number,
  count: number,
): void {
  const [w1, w2, w3, w4] = [weights[k], weights[k + 1], weights[k + 2], weights[k + 3]];
  const [a1, a2, a3, a4] = [begin(-k), begin(-k - 1), begin(-k - 2), begin(-k - 3)];
  const [b1, b2, b3, b4] = [begin(k), begin(k + 1), begin(k + 2), begin(k + 3)];
  for (let x = 0; x < count; x++)
    out[to + x] +=
      w1 * (from[a1 + x] + from[b1 + x]) +
      w2 * (from[a2 + x] + from[b2 + x]) +
      w3 * (from[a3 + x] + from[b3 + x]) +
      w4 * (from[a4 + x] + from[b4 + x]);
}

/** The weights from the middle to one side, as far as whole passes reach (beyond lie 4 in 1,000): the other is the same. */
function kernel(sd: number): Float32Array {
  const reach = Math.ceil((2.9 * sd) / AT_ONCE) * AT_ONCE;
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
