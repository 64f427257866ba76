import { pick, type RandomSource } from '../probability';
import { eliminationOrder } from './elimination';
import { type Factor, marginalOf, multiplyInto, sizeOf } from './factor';
import { narrow, restricted } from './narrow';

/** What a network comes to: the log of its sum, and the joint distribution of any variables that stand in one scope. */
export interface Propagated {
  /** Natural logarithm of the sum over all; −∞ where nothing is possible. */
  logSum: number;
  /** Where nothing is possible: variables among which that is so, though not the fewest. */
  conflict?: ReadonlySet<number>;
  /**
   * The distribution of variables, in the order asked for; they must have stood together in one factor.
   * All zeros where nothing is possible.
   */
  joint(vars: readonly number[]): Float64Array;
  /**
   * One value of every variable, all drawn together as they go together: from the last that was summed out to the first,
   * each given those before it (Dawid 1992).
   *
   * @throws {Error} where nothing is possible.
   */
  draw(random: RandomSource): Int32Array;
}

interface Bucket {
  vars: number[];
  table: Float64Array;
  /** Where its message goes, and over what. */
  parent: number;
  rest: number[];
  up?: Float64Array;
}

/**
 * Exact sums and marginals of a product of factors: bucket elimination (Dechter 1999) as a tree of cliques, once up and
 * once down (Shenoy & Shafer 1990; Jensen, Lauritzen & Olesen 1990). On a pedigree this is peeling (Elston & Stewart
 * 1971; Cannings, Thompson & Skolnick 1978) with loops and all. Messages are scaled, so that nothing underflows. Values
 * that cannot be are taken away first, which leaves less to be tabled.
 *
 * @param cards values of each variable.
 * @throws {TooTangled} where the tables together would be larger than `MOST_CELLS`.
 */
export function propagate(cards: readonly number[], factors: readonly Factor[], downToo = true): Propagated {
  const narrowed = narrow(cards, factors);
  if ('conflict' in narrowed) return impossible(cards, narrowed.conflict);
  const { left, why } = narrowed;
  const own = left.map(({ length }) => length);
  const solved = eliminated(
    own,
    factors.map((one) => restricted(one, cards, left)),
    downToo,
  );
  if (solved.conflict) return impossible(cards, why(solved.conflict));
  return {
    logSum: solved.logSum,
    joint(vars) {
      const open = vars.filter((v) => own[v] > 1);
      return spreadOut(solved.joint(open), vars, cards, left);
    },
    draw: (random) => solved.draw(random).map((value, v) => left[v][value]),
  };
}

const impossible = (cards: readonly number[], conflict: ReadonlySet<number>): Propagated => ({
  logSum: -Infinity,
  conflict,
  joint: (vars) => new Float64Array(sizeOf(vars, cards)),
  draw() {
    throw new Error('Nothing can be drawn where nothing is possible.');
  },
});

/** A table over the values that are left of some variables, as one over all their values. */
function spreadOut(
  table: Float64Array,
  vars: readonly number[],
  cards: readonly number[],
  left: readonly (readonly number[])[],
): Float64Array {
  const all = new Float64Array(sizeOf(vars, cards));
  const at = vars.map(() => 0);
  for (const p of table) {
    all[vars.reduce((place, v, i) => place * cards[v] + left[v][at[i]], 0)] = p;
    for (let i = vars.length - 1; i >= 0; i--) {
      if (++at[i] < left[vars[i]].length) break;
      at[i] = 0;
    }
  }
  return all;
}

/** The same where every variable has its values, and each of them may be as far as any one factor tells. */
function eliminated(cards: readonly number[], factors: readonly Factor[], downToo: boolean): Propagated {
  const order = eliminationOrder(
    cards,
    factors.map(({ vars }) => vars),
  );
  const place = new Int32Array(cards.length);
  order.forEach(({ v }, i) => (place[v] = i));
  const first = (vars: readonly number[]) => vars.reduce((least, v) => Math.min(least, place[v]), order.length);
  const buckets = order.map(({ v, rest }): Bucket => {
    const sorted = [...rest].sort((a, b) => place[a] - place[b]);
    const vars = [v, ...sorted];
    return { vars, rest: sorted, parent: sorted.length ? place[sorted[0]] : -1, table: new Float64Array(0) };
  });
  const assigned = buckets.map((): Factor[] => []);
  let logSum = 0;
  for (const factor of factors) {
    if (factor.vars.length) assigned[first(factor.vars)].push(factor);
    else logSum += Math.log(factor.table[0]);
  }
  for (const [i, bucket] of buckets.entries()) {
    bucket.table = new Float64Array(sizeOf(bucket.vars, cards)).fill(1);
    for (const factor of assigned[i]) multiplyInto(bucket.table, bucket.vars, factor, cards);
    const message = marginalOf({ vars: bucket.vars, table: bucket.table }, bucket.rest, cards).table;
    const most = message.reduce((a, b) => Math.max(a, b), 0);
    if (most === 0) return impossible(cards, below(buckets, i));
    logSum += Math.log(most);
    for (let k = 0; k < message.length; k++) message[k] /= most;
    bucket.up = message;
    if (bucket.parent >= 0) assigned[bucket.parent].push({ vars: bucket.rest, table: message });
  }
  if (downToo) passDown(buckets, cards);
  const holding = cards.map((): Bucket[] => []);
  for (const bucket of buckets) for (const v of bucket.vars) holding[v].push(bucket);
  const smallestWith = (vars: readonly number[]): Bucket => {
    let best: Bucket | undefined;
    for (const bucket of holding[vars[0]])
      if ((!best || bucket.table.length < best.table.length) && vars.every((v) => bucket.vars.includes(v))) best = bucket;
    if (!best) throw new Error('These variables do not stand together.');
    return best;
  };
  return {
    logSum,
    joint(vars) {
      if (!vars.length) return Float64Array.of(1);
      const { table } = marginalOf(smallestWith(vars), vars, cards);
      const sum = table.reduce((a, b) => a + b, 0);
      return table.map((one) => one / sum);
    },
    draw(random) {
      const drawn = new Int32Array(cards.length);
      for (let i = buckets.length - 1; i >= 0; i--) {
        // What came down to a bucket weighs all values of its own variable alike.
        const { vars, rest, table } = buckets[i];
        const [v] = vars;
        const within = rest.reduce((place, one) => place * cards[one] + drawn[one], 0);
        const step = sizeOf(rest, cards);
        drawn[v] = pick(
          Float64Array.from({ length: cards[v] }, (_, value) => table[value * step + within]),
          random,
        );
      }
      return drawn;
    },
  };
}

/** All variables that what a bucket says comes from. */
function below(buckets: readonly Bucket[], top: number): Set<number> {
  const found = new Set(buckets[top].vars);
  const inside = new Set([top]);
  for (let i = top - 1; i >= 0; i--)
    if (inside.has(buckets[i].parent)) {
      inside.add(i);
      for (const v of buckets[i].vars) found.add(v);
    }
  return found;
}

/** From the last to the first: each is multiplied by what its parent knows beyond what it said itself. */
function passDown(buckets: readonly Bucket[], cards: readonly number[]): void {
  for (let i = buckets.length - 1; i >= 0; i--) {
    const { vars, rest, parent, table, up } = buckets[i];
    if (parent < 0) continue;
    const down = marginalOf(buckets[parent], rest, cards).table;
    let most = 0;
    for (let k = 0; k < down.length; k++) {
      down[k] = up![k] > 0 ? down[k] / up![k] : 0;
      most = Math.max(most, down[k]);
    }
    multiplyInto(table, vars, { vars: rest, table: down }, cards, 1 / most);
  }
}
