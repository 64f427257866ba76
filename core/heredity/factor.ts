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
export const MOST_CELLS = 1 << 24;

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

/**
 * Go over all cells of a table in order, run by run of its last variable, with the place of each run's first cell in a
 * table of fewer variables.
 *
 * @param strides of that table, as `stridesIn` gives them.
 */
export function eachRun(
  over: readonly number[],
  cards: readonly number[],
  strides: Int32Array,
  visit: (cell: number, place: number) => void,
): void {
  const outer = over.length - 1;
  const length = outer < 0 ? 1 : cards[over[outer]];
  const size = sizeOf(over, cards);
  const counter = new Int32Array(Math.max(outer, 0));
  let place = 0;
  for (let cell = 0; cell < size; cell += length) {
    visit(cell, place);
    for (let i = outer - 1; i >= 0; i--) {
      counter[i]++;
      place += strides[i];
      if (counter[i] < cards[over[i]]) break;
      place -= strides[i] * cards[over[i]];
      counter[i] = 0;
    }
  }
}

/** How long a run is, and how far it goes in the other table from cell to cell. */
const runOf = (over: readonly number[], cards: readonly number[], strides: Int32Array): [length: number, step: number] => {
  const last = over.length - 1;
  return last < 0 ? [1, 0] : [cards[over[last]], strides[last]];
};

/** Multiply a factor into a table over variables that hold its own; each value of it times a number. */
export function multiplyInto(
  table: Float64Array,
  over: readonly number[],
  { vars, table: own }: Factor,
  cards: readonly number[],
  times = 1,
): void {
  const strides = stridesIn(vars, over, cards);
  const [length, step] = runOf(over, cards, strides);
  eachRun(over, cards, strides, (cell, place) => {
    for (let k = 0, at = place; k < length; k++, at += step) table[cell + k] *= own[at] * times;
  });
}

/** The sums of a table over all variables but some. */
export function marginalOf({ vars, table }: Factor, kept: readonly number[], cards: readonly number[]): Factor {
  const sums = new Float64Array(sizeOf(kept, cards));
  const strides = stridesIn(kept, vars, cards);
  const [length, step] = runOf(vars, cards, strides);
  eachRun(vars, cards, strides, (cell, place) => {
    for (let k = 0, at = place; k < length; k++, at += step) sums[at] += table[cell + k];
  });
  return { vars: kept, table: sums };
}
