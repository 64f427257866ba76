/** A variable of a network: how many values it may take. */
export interface Variable {
  card: number;
}

/** A function of a few variables, tabled: the last variable runs fastest. */
export interface Factor {
  vars: readonly number[];
  table: Float64Array;
}

/** Cells of all tables together at most: about ten seconds' work. */
export const MOST_CELLS = 1 << 23;

export class TooTangled extends Error {
  constructor() {
    super('This pedigree is too tangled to be worked out exactly: too many loops, doubtful parents or loci hang together.');
  }
}

/** Cells of a table over some variables. */
export function sizeOf(vars: readonly number[], cards: readonly number[]): number {
  let size = 1;
  for (const v of vars) size *= cards[v];
  return size;
}

/**
 * How far one goes in a factor's table for a step of each variable of another's; 0 for a variable that it has not.
 */
export function stridesIn(factor: readonly number[], over: readonly number[], cards: readonly number[]): Int32Array {
  const own = new Map<number, number>();
  let stride = 1;
  for (let i = factor.length - 1; i >= 0; i--) {
    own.set(factor[i], stride);
    stride *= cards[factor[i]];
  }
  return Int32Array.from(over, (v) => own.get(v) ?? 0);
}

/** Go over all cells of a table in order, with the place of each in tables of fewer variables. */
export function walk(
  over: readonly number[],
  cards: readonly number[],
  others: readonly Int32Array[],
  visit: (cell: number, places: Int32Array) => void,
): void {
  const size = sizeOf(over, cards);
  const counter = new Int32Array(over.length);
  const places = new Int32Array(others.length);
  for (let cell = 0; cell < size; cell++) {
    visit(cell, places);
    for (let i = over.length - 1; i >= 0; i--) {
      counter[i]++;
      if (counter[i] < cards[over[i]]) {
        for (let k = 0; k < others.length; k++) places[k] += others[k][i];
        break;
      }
      counter[i] = 0;
      for (let k = 0; k < others.length; k++) places[k] -= others[k][i] * (cards[over[i]] - 1);
    }
  }
}

/** Multiply a factor into a table over variables that hold its own. */
export function multiplyInto(
  table: Float64Array,
  over: readonly number[],
  { vars, table: own }: Factor,
  cards: readonly number[],
): void {
  walk(over, cards, [stridesIn(vars, over, cards)], (cell, places) => {
    table[cell] *= own[places[0]];
  });
}

/** The sums of a table over all variables but some. */
export function marginalOf({ vars, table }: Factor, kept: readonly number[], cards: readonly number[]): Factor {
  const sums = new Float64Array(sizeOf(kept, cards));
  walk(vars, cards, [stridesIn(kept, vars, cards)], (cell, places) => {
    sums[places[0]] += table[cell];
  });
  return { vars: kept, table: sums };
}
