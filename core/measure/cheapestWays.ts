/** Buckets to a cost of 1, and how many are in use at once: more than the dearest step reaches. */
const TO_A_COST = 64;
const BUCKETS = 128;

/** How far the eight neighbours lie. */
const NEAR: readonly [number, number, number][] = [
  [1, 0, 1],
  [-1, 0, 1],
  [0, 1, 1],
  [0, -1, 1],
  [1, 1, Math.SQRT2],
  [1, -1, Math.SQRT2],
  [-1, 1, Math.SQRT2],
  [-1, -1, Math.SQRT2],
];

/**
 * From which pixel each is reached most cheaply; −1 where it begins, and at the rim, which no way enters. What waits lies
 * in buckets by its cost (Dial 1969), each pixel in one of them. No step costs less than a bucket is wide, so the order
 * within one does not matter.
 *
 * @param cost of a step onto each pixel from beside it, row by row; onto one across a corner √2 times as much. From 1/64 to 1.4.
 * @param start the pixel where all ways begin, not at the rim.
 */
export function cheapestWays(cost: Float32Array, width: number, height: number, start: number): Int32Array {
  const before = new Int32Array(width * height).fill(-1);
  const total = new Float32Array(width * height).fill(Number.POSITIVE_INFINITY);
  for (let x = 0; x < width; x++) total[x] = total[(height - 1) * width + x] = Number.NEGATIVE_INFINITY;
  for (let y = 0; y < height; y++) total[y * width] = total[(y + 1) * width - 1] = Number.NEGATIVE_INFINITY;
  const steps = NEAR.map(([dx, dy]) => dy * width + dx);
  const lengths = NEAR.map(([, , length]) => length);
  // The first of each bucket, and of each pixel the one after and the one before it in its own.
  const heads = new Int32Array(BUCKETS).fill(-1);
  const after = new Int32Array(width * height);
  const ahead = new Int32Array(width * height);
  const bucketOf = (sum: number) => Math.floor(sum * TO_A_COST) % BUCKETS;
  let waiting = 0;
  const put = (at: number) => {
    const bucket = bucketOf(total[at]);
    after[at] = heads[bucket];
    ahead[at] = -1;
    if (heads[bucket] >= 0) ahead[heads[bucket]] = at;
    heads[bucket] = at;
    waiting++;
  };
  const take = (at: number) => {
    if (ahead[at] < 0) heads[bucketOf(total[at])] = after[at];
    else after[ahead[at]] = after[at];
    if (after[at] >= 0) ahead[after[at]] = ahead[at];
    waiting--;
  };
  total[start] = 0;
  put(start);
  for (let b = 0; waiting > 0; b = (b + 1) % BUCKETS) {
    while (heads[b] >= 0) {
      const at = heads[b];
      take(at);
      for (let n = 0; n < steps.length; n++) {
        const next = at + steps[n];
        const sum = Math.fround(total[at] + cost[next] * lengths[n]);
        if (sum >= total[next]) continue;
        if (total[next] < Number.POSITIVE_INFINITY) take(next);
        total[next] = sum;
        before[next] = at;
        put(next);
      }
    }
  }
  return before;
}
