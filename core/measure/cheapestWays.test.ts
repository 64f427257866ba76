import { seeded } from '../probability';
import { cheapestWays } from './cheapestWays';

const [WIDTH, HEIGHT] = [36, 28];
const START = 14 * WIDTH + 18;

const lengthOf = (a: number, b: number): number => {
  const across = Math.abs((a % WIDTH) - (b % WIDTH));
  const down = Math.abs(Math.floor(a / WIDTH) - Math.floor(b / WIDTH));
  return Math.hypot(across, down);
};

const within = (i: number): boolean => {
  const [x, y] = [i % WIDTH, Math.floor(i / WIDTH)];
  return x > 0 && y > 0 && x < WIDTH - 1 && y < HEIGHT - 1;
};

/** What each pixel within the rim is reached for at least: every step is tried until none is cheaper (Bellman 1958). */
function leastCosts(cost: Float32Array): Float64Array {
  const least = new Float64Array(cost.length).fill(Number.POSITIVE_INFINITY);
  least[START] = 0;
  for (let changed = true; changed;) {
    changed = false;
    for (let i = 0; i < cost.length; i++)
      for (const step of [-WIDTH - 1, -WIDTH, -WIDTH + 1, -1, 1, WIDTH - 1, WIDTH, WIDTH + 1]) {
        if (!within(i) || !within(i + step)) continue;
        const sum = least[i + step] + cost[i] * lengthOf(i, i + step);
        if (sum < least[i] - 1e-9) [least[i], changed] = [sum, true];
      }
  }
  return least;
}

describe('the cheapest ways', () => {
  it.each(['a', 'b', 'c', 'd'])('cost what the cheapest can, over costs drawn by chance (%s)', (seed) => {
    const random = seeded(seed);
    const cost = Float32Array.from({ length: WIDTH * HEIGHT }, () => 1 / 50 + random() ** 3);
    const before = cheapestWays(cost, WIDTH, HEIGHT, START);
    const least = leastCosts(cost);
    for (let end = 0; end < cost.length; end++) {
      if (!within(end)) {
        expect(before[end]).toBe(-1);
        continue;
      }
      let sum = 0;
      for (let at = end; at !== START; at = before[at]) sum += cost[at] * lengthOf(at, before[at]);
      expect(sum).toBeCloseTo(least[end], 4);
    }
  });
});
