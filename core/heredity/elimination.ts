import { Heap } from 'heap-js';
import { MOST_CELLS, TooTangled } from './factor';

/** A variable that is summed out, and those left that hang together with it. */
interface Eliminated {
  v: number;
  rest: number[];
}

/** Which variable is the next: whose neighbours lack the fewest edges (Kjærulff 1990), or whose table is the smallest. */
type Rule = (fill: number, size: number) => number;
const FEWEST_EDGES: Rule = (fill, size) => fill + size / 1e6;
const SMALLEST_TABLE: Rule = (fill, size) => size + fill / 1e6;
const BOTH: Rule = (fill, size) => fill * size;

/** Tables of so many cells are soon worked out: no better order is looked for. */
const FEW_CELLS = 1 << 20;

/**
 * An order in which variables are summed out, so that the tables on the way are small: by the first rule, and where that
 * is not good enough by the best of three.
 *
 * @throws {TooTangled} where the tables together would be larger than `MOST_CELLS`.
 */
export function eliminationOrder(cards: readonly number[], scopes: readonly (readonly number[])[]): Eliminated[] {
  let best = orderBy(FEWEST_EDGES, cards, scopes);
  if (best.cells > FEW_CELLS)
    for (const rule of [SMALLEST_TABLE, BOTH]) {
      const other = orderBy(rule, cards, scopes);
      if (other.cells < best.cells) best = other;
    }
  if (best.cells > MOST_CELLS) throw new TooTangled();
  return best.order;
}

/** An order by one rule, with the cells of all tables on the way. */
function orderBy(
  rule: Rule,
  cards: readonly number[],
  scopes: readonly (readonly number[])[],
): { order: Eliminated[]; cells: number } {
  const near = cards.map(() => new Set<number>());
  for (const scope of scopes) for (const a of scope) for (const b of scope) if (a !== b) near[a].add(b);
  const left = new Set(cards.keys());
  const size = new Float64Array(cards.length);
  const cost = new Float64Array(cards.length);
  const weigh = (v: number) => {
    const own = [...near[v]];
    let missing = 0;
    for (let i = 0; i < own.length; i++) for (let k = i + 1; k < own.length; k++) if (!near[own[i]].has(own[k])) missing++;
    size[v] = own.reduce((sum, one) => sum + Math.log(cards[one]), Math.log(cards[v]));
    cost[v] = rule(missing, size[v]);
  };
  for (const v of left) weigh(v);
  // What was weighed again since stands in the heap more than once; only the latest counts.
  const waiting = new Heap<readonly [v: number, cost: number]>(([a, one], [b, other]) => one - other || a - b);
  waiting.init([...left].map((v) => [v, cost[v]] as const));
  const order: Eliminated[] = [];
  let cells = 0;
  while (left.size) {
    const [best, weighed] = waiting.pop()!;
    if (!left.has(best) || weighed !== cost[best]) continue;
    cells += Math.exp(size[best]);
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
    for (const v of again) {
      const before = cost[v];
      weigh(v);
      if (cost[v] !== before) waiting.push([v, cost[v]]);
    }
    order.push({ v: best, rest });
  }
  return { order, cells };
}
