import type { Item, Split } from './splits';

/** Some of the items, each with the mass that comes this way. */
export interface Node {
  at: number[];
  mass: number[];
}

/** Splits that are looked at one couplet further. */
const LOOKED_INTO = 10;
/** For nodes of more items than this, what follows is sought among the most promising splits only. */
const MANY = 32;
const PROMISING = 48;
/** A split must leave at least this much less to be told, in bits. */
const LEAST_GAIN = 1e-3;

/** Taxa by number, so that a node's taxa are summed in an array. */
export interface Taxa {
  of: Int32Array;
  count: number;
  sums: Float64Array;
}

export function taxaOf(items: readonly Item[]): Taxa {
  const numbers = new Map<string, number>();
  const of = Int32Array.from(items, ({ taxon }) => {
    if (!numbers.has(taxon)) numbers.set(taxon, numbers.size);
    return numbers.get(taxon)!;
  });
  return { of, count: numbers.size, sums: new Float64Array(numbers.size) };
}

/** Are all items of one taxon? */
export const isSettled = (taxa: Taxa, { at }: Node): boolean => at.every((i) => taxa.of[i] === taxa.of[at[0]]);

/** The two nodes a split makes; an item that may go either way goes both ways with its mass divided. */
export function divide(split: Split, node: Node): [Node, Node] {
  const a: Node = { at: [], mass: [] };
  const b: Node = { at: [], mass: [] };
  node.at.forEach((item, k) => {
    const side = split.sides[item];
    const p = side === 3 ? split.first[item] : side === 1 ? 1 : 0;
    if (side !== 2) {
      a.at.push(item);
      a.mass.push(node.mass[k] * p);
    }
    if (side !== 1) {
      b.at.push(item);
      b.mass.push(node.mass[k] * (1 - p));
    }
  });
  return [a, b];
}

/** m log2 m of each item's mass, and whether every item is a taxon of its own: then the bits of a side are mere sums. */
interface Prepared {
  node: Node;
  plain: boolean;
  xlogx: Float64Array;
}

function prepare(node: Node, taxa: Taxa): Prepared {
  const seen = new Set(node.at.map((item) => taxa.of[item]));
  return { node, plain: seen.size === node.at.length, xlogx: Float64Array.from(node.mass, xlog2x) };
}

const xlog2x = (m: number) => (m > 0 ? m * Math.log2(m) : 0);

/** H = log2 M − Σ m log2 m / M. */
const bitsFrom = (mass: number, sum: number) => (mass > 0 ? Math.log2(mass) - sum / mass : 0);

/** Bits that a division by mass alone can tell at most: the entropy of the side. */
function mostTold(share: number): number {
  return share <= 0 || share >= 1 ? 0 : -(xlog2x(share) + xlog2x(1 - share));
}

/** The mass that goes to the first side of a split. */
function firstMass({ sides, first }: Split, { at, mass }: Node): number {
  let sum = 0;
  for (let k = 0; k < at.length; k++) {
    const side = sides[at[k]];
    if (side === 1) sum += mass[k];
    else if (side === 3) sum += mass[k] * first[at[k]];
  }
  return sum;
}

/** Expected cost after a split if what is left needed only its bits: a couplet tells at most one. */
function ahead(split: Split, prepared: Prepared, taxa: Taxa): number {
  const { node, plain, xlogx } = prepared;
  const { sides, first } = split;
  if (!plain) return split.cost + remaining(split, node, taxa);
  let [massA, massB, sumA, sumB] = [0, 0, 0, 0];
  for (let k = 0; k < node.at.length; k++) {
    const item = node.at[k];
    const side = sides[item];
    const m = node.mass[k];
    if (side === 1) {
      massA += m;
      sumA += xlogx[k];
    } else if (side === 2) {
      massB += m;
      sumB += xlogx[k];
    } else {
      const own = m * first[item];
      massA += own;
      massB += m - own;
      sumA += xlog2x(own);
      sumB += xlog2x(m - own);
    }
  }
  const cost = massA * atLeast(bitsFrom(massA, sumA)) + massB * atLeast(bitsFrom(massB, sumB));
  return split.cost + cost / (massA + massB || 1);
}

/** The same where some items are forms of one taxon: their masses are summed first. */
function remaining(split: Split, node: Node, taxa: Taxa): number {
  const { sums, of } = taxa;
  let cost = 0;
  let total = 0;
  for (const side of [1, 2] as const) {
    let mass = 0;
    for (let k = 0; k < node.at.length; k++) {
      const item = node.at[k];
      const own = split.sides[item];
      if (own !== 3 && own !== side) continue;
      const p = own === 3 ? (side === 1 ? split.first[item] : 1 - split.first[item]) : 1;
      sums[of[item]] += node.mass[k] * p;
      mass += node.mass[k] * p;
    }
    let sum = 0;
    for (const item of node.at) {
      sum += xlog2x(sums[of[item]]);
      sums[of[item]] = 0;
    }
    cost += mass * atLeast(bitsFrom(mass, sum));
    total += mass;
  }
  return cost / (total || 1);
}

/** Bits to tell among the taxa of a node. */
export function bitsOf(node: Node, taxa: Taxa): number {
  const { sums, of } = taxa;
  let mass = 0;
  node.at.forEach((item, k) => {
    sums[of[item]] += node.mass[k];
    mass += node.mass[k];
  });
  let bits = 0;
  for (const item of node.at) {
    const m = sums[of[item]];
    if (m > 0) bits -= (m / mass) * Math.log2(m / mass);
    sums[of[item]] = 0;
  }
  return bits;
}

/** Taxa that are not yet one need one couplet more at least. */
const atLeast = (bits: number) => (bits <= 1e-9 ? 0 : Math.max(1, bits));

/**
 * The split that minimises the expected remaining cost with look-ahead 2: the
 * most promising are judged by the best couplet that could follow on either side.
 */
export function bestSplit(splits: readonly Split[], node: Node, taxa: Taxa): Split | undefined {
  const whole = bitsOf(node, taxa);
  const many = node.at.length > MANY;
  const promising = shortlist(splits, node, taxa, whole, many ? PROMISING : LOOKED_INTO);
  const following = many ? promising.map(({ split }) => split) : splits;
  const total = node.mass.reduce((sum, m) => sum + m, 0) || 1;
  let best: Split | undefined;
  let least = Number.POSITIVE_INFINITY;
  for (const { split, cost: bound } of promising.slice(0, LOOKED_INTO)) {
    // The couplets that follow cannot cost less than the bits they have to tell.
    if (bound >= least) break;
    let cost = bound;
    for (const side of divide(split, node)) {
      if (isSettled(taxa, side)) continue;
      const bits = bitsOf(side, taxa);
      const mass = side.mass.reduce((sum, m) => sum + m, 0);
      const next = nextCost(following, side, taxa, bits) ?? (many ? nextCost(splits, side, taxa, bits) : undefined);
      // What nothing can tell apart further is dear: it stays unnamed.
      cost += (mass / total) * ((next ?? bits + 4) - atLeast(bits));
      if (cost >= least) break;
    }
    if (cost < least - 1e-12) {
      least = cost;
      best = split;
    }
  }
  return best;
}

/** A couplet this near to what its bits ask for, in couplets, is as good as the best: the search for a better one ends. */
const NEAR_ENOUGH = 0.03;

/** The cost of the best couplet for a node, by what it leaves to be told; undefined where nothing divides it. */
function nextCost(splits: readonly Split[], node: Node, taxa: Taxa, whole: number): number | undefined {
  const prepared = prepare(node, taxa);
  const total = node.mass.reduce((sum, m) => sum + m, 0) || 1;
  let least: number | undefined;
  for (const split of splits) {
    // However the masses lie, no more can be told than by how evenly they divide.
    if (least !== undefined && split.cost + whole - mostTold(firstMass(split, node) / total) >= least) continue;
    if (!divides(split, node)) continue;
    const cost = ahead(split, prepared, taxa);
    if (cost - split.cost > whole - LEAST_GAIN + (whole < 1 ? 1 : 0)) continue;
    if (least !== undefined && cost >= least) continue;
    least = cost;
    if (least <= atLeast(whole) + NEAR_ENOUGH) break;
  }
  return least;
}

/** The splits that divide a node; what does not divide it divides nothing below it. */
export const dividing = (splits: readonly Split[], node: Node): readonly Split[] =>
  splits.filter((split) => divides(split, node));

function shortlist(
  splits: readonly Split[],
  node: Node,
  taxa: Taxa,
  whole: number,
  most: number,
): { split: Split; cost: number }[] {
  const kept: { split: Split; cost: number }[] = [];
  const prepared = prepare(node, taxa);
  const total = node.mass.reduce((sum, m) => sum + m, 0) || 1;
  for (const split of splits) {
    const full = kept.length === most;
    if (full && split.cost + whole - mostTold(firstMass(split, node) / total) >= kept[most - 1].cost) continue;
    if (!divides(split, node)) continue;
    const cost = ahead(split, prepared, taxa);
    if (cost - split.cost > whole - LEAST_GAIN + (whole < 1 ? 1 : 0)) continue;
    if (kept.length === most && cost >= kept[most - 1].cost) continue;
    const place = kept.findIndex((other) => cost < other.cost);
    kept.splice(place < 0 ? kept.length : place, 0, { split, cost });
    if (kept.length > most) kept.pop();
  }
  return kept;
}

/** Does some item go one way only, and another the other way only? */
function divides(split: Split, node: Node): boolean {
  let seen = 0;
  for (const item of node.at) {
    seen |= split.sides[item] === 3 ? 0 : split.sides[item];
    if (seen === 3) return true;
  }
  return false;
}
