import { along } from './along';
import { type At, type Estimate, over, pathLength } from './estimate';
import type { PixelPoint } from './schema';

/** The edge is smoothed over this share of its length (standard deviation of the weights). */
const SMOOTHED_OVER = 1 / 16;

/**
 * How ragged an edge is: its length over the length of itself smoothed, each point the mean of
 * those about it by a normal weight along the edge. 1 where it is even; the ends stay where they are.
 *
 * The slopes hold the weights as they are; for pointing of a few pixels they hardly change.
 *
 * @param path at least three points in turn.
 */
export function raggedness(at: At, path: readonly number[]): Estimate {
  const points = path.map(at);
  const gone = along(points);
  const total = gone[gone.length - 1];
  if (!(total > 0)) return { value: NaN, slopes: new Map(), bend: 0, power: 0 };
  const weights = smoothing(gone, total * SMOOTHED_OVER);
  const even = weights.map((row): PixelPoint => {
    const sum = [0, 0];
    row.forEach(([j, w]) => [0, 1].forEach((c) => (sum[c] += w * points[j][c])));
    return [sum[0], sum[1]];
  });
  const smooth = pathLength(
    (i) => even[i],
    even.map((_, i) => i),
  );
  const slopes = new Map<number, [number, number]>();
  weights.forEach((row, i) => {
    const [x, y] = smooth.slopes.get(i) ?? [0, 0];
    for (const [j, w] of row) {
      const so = slopes.get(path[j]) ?? [0, 0];
      slopes.set(path[j], [so[0] + w * x, so[1] + w * y]);
    }
  });
  // Smoothing takes nearly all of the pointing out of the lower length: only the upper one is too long by it.
  return over(pathLength(at, path), { value: smooth.value, slopes, bend: 0, power: 1 });
}

/** For each point the points it is the mean of, with their weights: fewer and fewer of them towards the ends. */
function smoothing(gone: readonly number[], sd: number): [number, number][][] {
  const total = gone[gone.length - 1];
  let first = 0;
  return gone.map((here, i) => {
    // Even on both sides, so that an edge that is straight stays as it is.
    const reach = Math.min(3 * sd, here, total - here);
    while (gone[first] < here - 3 * sd) first++;
    const row: [number, number][] = [];
    let sum = 0;
    for (let j = first; j < gone.length && gone[j] <= here + reach + 1e-9; j++) {
      if (gone[j] < here - reach - 1e-9) continue;
      const w = Math.exp(-0.5 * ((gone[j] - here) / sd) ** 2);
      row.push([j, w]);
      sum += w;
    }
    return row.length ? row.map(([j, w]): [number, number] => [j, w / sum]) : [[i, 1]];
  });
}
