import type { ChartKin, Family } from './chart';

/** Times that the rows are gone through; in the last of them everybody is tried among its brothers and sisters. */
const SWEEPS = 14;
const TRIED = 3;
/** What a step between mates costs beside one between parents and young. */
const APART = 2;

/** A family by the numbers of who is in it. */
interface Numbered {
  parents: readonly number[];
  young: readonly number[];
}

/**
 * The place of everybody in its row, in widths of a place: no two nearer than 1, brothers and sisters together about the
 * middle of their parents, somebody without parents beside its mate. Of several arrangements the one whose lines are
 * the shortest.
 */
export function columnsOf(
  kin: readonly ChartKin[],
  families: readonly Family[],
  generations: ReadonlyMap<string, number>,
): Map<string, number> {
  const numberOf = new Map(kin.map(({ id }, i) => [id, i]));
  const numbers = (ids: readonly string[]) => ids.map((id) => numberOf.get(id)!);
  const all = families.map(({ fathers, mothers, young }): Numbered => ({
    parents: numbers([...fathers, ...mothers]),
    young: numbers(young),
  }));
  const found = arranged(
    kin.map(({ id }) => generations.get(id)!),
    all,
  );
  const least = found.reduce((low, at) => Math.min(low, at), Infinity);
  return new Map(kin.map(({ id }, i) => [id, found[i] - least]));
}

function arranged(generations: readonly number[], families: readonly Numbered[]): Float64Array {
  const n = generations.length;
  /** By number: the family one was born into, and those it made. */
  const birth = new Int32Array(n).fill(-1);
  const made = generations.map((): number[] => []);
  families.forEach(({ parents, young }, family) => {
    for (const one of young) birth[one] = family;
    for (const one of parents) made[one].push(family);
  });
  const mates = made.map((own, one) => own.flatMap((family) => families[family].parents.filter((other) => other !== one)));
  const rows = firstOrder(generations, families, birth, made);
  let place = new Float64Array(n);
  for (const row of rows) row.forEach((one, i) => (place[one] = i));

  const middle = (those: readonly number[]) => {
    let sum = 0;
    for (const one of those) sum += place[one];
    return sum / those.length;
  };
  const above = (one: number) => (birth[one] < 0 ? undefined : middle(families[birth[one]].parents));
  const below = (one: number) =>
    made[one].length ? made[one].reduce((sum, family) => sum + middle(families[family].young), 0) / made[one].length : undefined;
  const settle = (row: readonly number[], wanted: (one: number) => number) => {
    const settled = apart(row.map(wanted));
    row.forEach((one, i) => (place[one] = settled[i]));
  };
  /** Of all lines together; mates that stand apart cost a line of their own across the row. */
  const length = () => {
    let sum = 0;
    for (const { parents, young } of families) {
      let [low, high] = [Infinity, -Infinity];
      for (const one of parents) {
        low = Math.min(low, place[one]);
        high = Math.max(high, place[one]);
      }
      const from = middle(parents);
      sum += APART * (high - low);
      for (const one of young) sum += Math.abs(place[one] - from);
    }
    return sum;
  };
  /** Try everybody that has a mate at each other place beside a brother or sister; where the places are stays as it is. */
  const tryWithin = (at: number) => {
    const room = rows[at].map((one) => place[one]);
    const stand = (order: readonly number[]) => order.forEach((one, i) => (place[one] = room[i]));
    let now = length();
    for (const one of rows[at].filter((those) => made[those].length && birth[those] >= 0)) {
      const others = rows[at].filter((other) => other !== one);
      const beside = others.flatMap((other, i) => (birth[other] === birth[one] ? [i, i + 1] : []));
      for (const i of new Set(beside)) {
        const tried = [...others.slice(0, i), one, ...others.slice(i)];
        stand(tried);
        const then = length();
        if (then < now - 1e-9) [now, rows[at]] = [then, tried];
      }
      stand(rows[at]);
    }
  };

  let best = { length: Infinity, place };
  for (let sweep = 0; sweep < SWEEPS; sweep++) {
    rows.forEach((row, at) => {
      rows[at] = ordered(row, { birth, mates, place, above });
      if (sweep >= SWEEPS - TRIED) tryWithin(at);
      settle(rows[at], (one) => {
        const [up, down] = [above(one), below(one)];
        return up !== undefined && down !== undefined ? (2 * up + down) / 3 : (up ?? down ?? place[one]);
      });
    });
    for (const row of [...rows].reverse())
      settle(row, (one) => {
        const up = above(one);
        return below(one) ?? (up === undefined ? place[one] : (up + place[one]) / 2);
      });
    const now = length();
    if (now < best.length - 1e-9) best = { length: now, place: place.slice() };
  }
  place = best.place;
  return place;
}

/** Rows as one comes upon everybody: from the founders down, mates and young after each. */
function firstOrder(
  generations: readonly number[],
  families: readonly Numbered[],
  birth: Int32Array,
  made: readonly (readonly number[])[],
): number[][] {
  const rows = Array.from({ length: Math.max(0, ...generations) + 1 }, (): number[] => []);
  const seen = new Set<number>();
  generations.forEach((_, root) => {
    const stack = birth[root] < 0 ? [root] : [];
    for (let one = stack.pop(); one !== undefined; one = stack.pop()) {
      if (seen.has(one)) continue;
      seen.add(one);
      rows[generations[one]].push(one);
      const next = made[one].flatMap((family) => [
        ...families[family].parents.filter((other) => birth[other] < 0),
        ...families[family].young,
      ]);
      stack.push(...next.reverse());
    }
  });
  return rows;
}

/** What the order of a row hangs on. */
interface Standing {
  birth: Int32Array;
  mates: readonly (readonly number[])[];
  place: Float64Array;
  above: (one: number) => number | undefined;
}

/**
 * A row by the place of parents; brothers and sisters by what lies halfway to their mates, so that those who are mates
 * of one another come together; somebody without parents beside its mate.
 */
function ordered(row: readonly number[], { birth, mates, place, above }: Standing): number[] {
  const own = new Set(row);
  const keyOf = (one: number): number[] => {
    const toward = mates[one].reduce((sum, mate) => sum + (place[mate] - place[one]) / (2 * mates[one].length), place[one]);
    return [above(one)!, birth[one], toward, Number(mates[one].length > 0)];
  };
  const keys = new Map(
    row.map((one): [number, number[]] => {
      if (birth[one] >= 0) return [one, [...keyOf(one), 0]];
      const mate = mates[one].find((other) => own.has(other) && birth[other] >= 0);
      if (mate === undefined) return [one, [place[one], -1, 0, 0, 0]];
      // On that side of its mate on which it stands already.
      return [one, [...keyOf(mate), Math.sign(place[one] - place[mate]) || 1]];
    }),
  );
  return [...row].sort((a, b) => {
    const [one, other] = [keys.get(a)!, keys.get(b)!];
    const at = one.findIndex((key, i) => Math.abs(key - other[i]) > 1e-9);
    return at < 0 ? place[a] - place[b] : one[at] - other[at];
  });
}

/**
 * Places as near to the wanted ones as they can be, in their order and no nearer than 1: least squares by pooling
 * adjacent violators (Ayer et al. 1955).
 */
function apart(wanted: readonly number[]): number[] {
  const pools: { sum: number; n: number }[] = [];
  wanted.forEach((want, i) => {
    pools.push({ sum: want - i, n: 1 });
    while (pools.length > 1) {
      const [before, last] = pools.slice(-2);
      if (before.sum / before.n <= last.sum / last.n) break;
      pools.splice(-2, 2, { sum: before.sum + last.sum, n: before.n + last.n });
    }
  });
  let i = 0;
  return pools.flatMap(({ sum, n }) => Array.from({ length: n }, () => sum / n + i++));
}
