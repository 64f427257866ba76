import { MOST_CELLS, TooTangled } from './factor';

/**
 * An order in which variables are summed out, by least fill (Kjærulff 1990): each time the one whose neighbours lack
 * the fewest edges among each other; of those, the one with the smallest table. With each, its neighbours then.
 *
 * @throws {TooTangled} where the tables together would be larger than `MOST_CELLS`.
 * @returns buckets in their order: the variable, and those left that hang together with it.
 */
export function eliminationOrder(
  cards: readonly number[],
  scopes: readonly (readonly number[])[],
): { v: number; rest: number[] }[] {
  const near = cards.map(() => new Set<number>());
  for (const scope of scopes) for (const a of scope) for (const b of scope) if (a !== b) near[a].add(b);
  const left = new Set(cards.keys());
  const fill = new Float64Array(cards.length);
  const size = new Float64Array(cards.length);
  const weigh = (v: number) => {
    const own = [...near[v]];
    let missing = 0;
    for (let i = 0; i < own.length; i++) for (let k = i + 1; k < own.length; k++) if (!near[own[i]].has(own[k])) missing++;
    fill[v] = missing;
    size[v] = own.reduce((sum, one) => sum + Math.log(cards[one]), Math.log(cards[v]));
  };
  for (const v of left) weigh(v);
  const buckets: { v: number; rest: number[] }[] = [];
  let cells = 0;
  while (left.size) {
    let best = -1;
    for (const v of left) if (best < 0 || fill[v] < fill[best] || (fill[v] === fill[best] && size[v] < size[best])) best = v;
    cells += Math.exp(size[best]);
    if (cells > MOST_CELLS) throw new TooTangled();
    const rest = [...near[best]];
    const again = new Set(rest);
    for (const a of rest) {
      near[a].delete(best);
      for (const b of rest)
        if (a !== b && !near[a].has(b)) {
          near[a].add(b);
          near[b].add(a);
        }
    }
    // What lacks an edge less is near to both its ends.
    for (const a of rest) for (const b of near[a]) again.add(b);
    left.delete(best);
    near[best].clear();
    for (const v of again) weigh(v);
    buckets.push({ v: best, rest });
  }
  return buckets;
}
