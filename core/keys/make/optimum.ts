import { EXACT, type Item, type Split } from './splits';

/** The best key for a few items: what it costs, and the split to take for every set of items that it can meet. */
export interface Optimum {
  /** Expected cost, in couplets (weights of the items need not sum to 1: they are shared out). */
  mean: number;
  /** The split for a set of items (bit i for item i); undefined for sets of one taxon. */
  splitOf: (set: number) => Split | undefined;
}

/**
 * Exact optimum by dynamic programming over sets of items (Garey 1972, optimal
 * binary identification procedures): cost(S) = min over splits of
 * c·w(S) + cost(S ∩ first) + cost(S ∩ second). Only splits by which every item
 * goes one way are used; undefined when they cannot tell the taxa apart.
 *
 * @param unit count every couplet as 1, instead of by its character's cost.
 */
export function optimumOf(
  items: readonly Item[],
  at: readonly number[],
  splits: readonly Split[],
  unit = false,
): Optimum | undefined {
  const n = at.length;
  if (n > EXACT) return undefined;
  const masks = new Map<number, Split>();
  for (const split of splits) {
    let mask = 0;
    let clear = true;
    for (let k = 0; k < n && clear; k++) {
      const side = split.sides[at[k]];
      clear = side !== 3;
      if (side === 1) mask |= 1 << k;
    }
    const all = (1 << n) - 1;
    if (!clear || mask === 0 || mask === all) continue;
    // A split and its mirror image are one; the cheaper character is kept.
    const id = mask & 1 ? mask : all ^ mask;
    const known = masks.get(id);
    if (!known || split.cost < known.cost) masks.set(id, split);
  }
  const sets = 1 << n;
  const cost = new Float64Array(sets);
  const best = new Int32Array(sets).fill(-1);
  const weight = new Float64Array(sets);
  const tests = [...masks];
  for (let set = 1; set < sets; set++) {
    const low = 31 - Math.clz32(set & -set);
    weight[set] = weight[set & (set - 1)] + items[at[low]].weight;
    if (isOneTaxon(items, at, set, low)) continue;
    cost[set] = Number.POSITIVE_INFINITY;
    for (let t = 0; t < tests.length; t++) {
      const a = set & tests[t][0];
      const b = set & ~tests[t][0];
      if (a === 0 || b === 0) continue;
      const whole = (unit ? 1 : tests[t][1].cost) * weight[set] + cost[a] + cost[b];
      if (whole < cost[set]) {
        cost[set] = whole;
        best[set] = t;
      }
    }
  }
  const all = sets - 1;
  if (!Number.isFinite(cost[all])) return undefined;
  return { mean: cost[all] / (weight[all] || 1), splitOf: (set) => (best[set] < 0 ? undefined : tests[best[set]][1]) };
}

function isOneTaxon(items: readonly Item[], at: readonly number[], set: number, low: number): boolean {
  for (let k = low + 1; k < at.length; k++) {
    if (set & (1 << k) && items[at[k]].taxon !== items[at[low]].taxon) return false;
  }
  return true;
}
