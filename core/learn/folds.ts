import { seeded } from '../probability';
import type { PreparedTable } from './preparedTable';
import { addRow, noStatistics, plus, type PairStatistics } from './pairStatistics';
import { addEntries, noTally, type Tally, tallyWithout } from './categorical';

/** One scale of the measured columns: as they are, or as natural logarithms; each less its mean. */
export interface Scale {
  log: boolean;
  centre: Float64Array;
  /** Row-major, centred. */
  values: Float64Array;
  /** Statistics by fold, then by form. */
  folds: PairStatistics[][];
  total: PairStatistics[];
  /** Totals without some folds, by the folds left out. */
  downdated: Map<string, PairStatistics[]>;
}

/** A table dealt into folds, with the statistics of each. */
export interface FoldedTable {
  data: PreparedTable;
  /** Rows of each fold, in a shuffled order. */
  rows: number[][];
  scales: Scale[];
  tallies: Tally[];
  tally: Tally;
}

/** Deal the rows of every form evenly into folds, stratified and shuffled by the seed. */
export function assignFolds(data: PreparedTable, folds: number, seed: string): FoldedTable {
  const rows: number[][] = Array.from({ length: folds }, () => []);
  const random = seeded(seed);
  let next = 0;
  data.forms.forEach((_, f) => {
    const own = Array.from(data.of.keys()).filter((row) => data.of[row] === f);
    for (let i = own.length - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1));
      [own[i], own[j]] = [own[j], own[i]];
    }
    for (const row of own) rows[next++ % folds].push(row);
  });
  // Dealt form by form; a sample from the front of a fold must hold all of them.
  for (const fold of rows) {
    for (let i = fold.length - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1));
      [fold[i], fold[j]] = [fold[j], fold[i]];
    }
  }
  const tallies = rows.map((fold) => {
    const tally = noTally(data);
    for (const row of fold) addEntries(tally, data, row);
    return tally;
  });
  const scales = data.measured.length === 0 ? [] : [scaleOf(data, rows, false)];
  if (scales.length && data.values.every((x) => !(x <= 0))) scales.push(scaleOf(data, rows, true));
  const nothing = noTally(data);
  const tally = nothing.map((counts, i) => counts.map((_, e) => tallies.reduce((sum, one) => sum + one[i][e], 0)));
  return { data, rows, scales, tallies, tally };
}

function scaleOf(data: PreparedTable, rows: readonly number[][], log: boolean): Scale {
  const order = data.measured.length;
  const values = log ? data.values.map(Math.log) : data.values.slice();
  const centre = new Float64Array(order);
  const seen = new Float64Array(order);
  for (let i = 0; i < values.length; i++) {
    if (Number.isNaN(values[i])) continue;
    centre[i % order] += values[i];
    seen[i % order]++;
  }
  for (let i = 0; i < order; i++) centre[i] /= seen[i] || 1;
  for (let i = 0; i < values.length; i++) values[i] -= centre[i % order];
  const folds = rows.map((fold) => {
    const sums = data.forms.map(() => noStatistics(order));
    for (const row of fold) addRow(sums[data.of[row]], values.subarray(row * order, (row + 1) * order));
    return sums;
  });
  const total = data.forms.map((_, f) => folds.map((sums) => sums[f]).reduce((a, b) => plus(a, b, 1)));
  return { log, centre, values, folds, total, downdated: new Map() };
}

/** Statistics of every row but those of some folds: the total, downdated once for each set of folds. */
export function sumsWithout(scale: Scale, left: readonly number[]): PairStatistics[] {
  const { total, folds, downdated } = scale;
  const key = left.join();
  let sums = downdated.get(key);
  if (!sums) {
    sums = total.map((whole, f) => left.reduce((rest, k) => plus(rest, folds[k][f], -1), whole));
    downdated.set(key, sums);
  }
  return sums;
}

export const entriesWithout = ({ tally, tallies }: FoldedTable, left: readonly number[]): Tally =>
  tallyWithout(
    tally,
    left.map((k) => tallies[k]),
  );

/** ln of how frequent each form is among every row but those of some folds. */
export function lnFrequencies({ data, rows }: FoldedTable, left: readonly number[]): Float64Array {
  const counts = Float64Array.from(data.forms, ({ n }) => n);
  for (const k of left) for (const row of rows[k]) counts[data.of[row]]--;
  const total = counts.reduce((a, b) => a + b, 0);
  return counts.map((n) => Math.log(Math.max(n, 0.5) / total));
}
