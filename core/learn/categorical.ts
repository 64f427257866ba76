import { countFrequencies } from '../guide/working';
import type { PreparedTable } from './preparedTable';

/** How often each entry of each categorical column was met in each form: `counts[(form · columns + column)][entry]`. */
export type Tally = Float64Array[];

/** Specimens' worth of the general frequencies that each form's own are mixed with. */
const PRIOR = 2;
/** Share of the prior of a count that is spread evenly, so that nothing is impossible. */
const EVEN = 0.05;
/** The least spread of a count within a form. */
const LEAST_SPREAD = 0.4;

export function noTally(data: PreparedTable): Tally {
  return data.forms.flatMap(() => data.categorical.map(({ entries }) => new Float64Array(entries.length)));
}

export function addEntries(tally: Tally, data: PreparedTable, row: number): void {
  const columns = data.categorical.length;
  const form = data.of[row];
  for (let t = 0; t < columns; t++) {
    const entry = data.entries[row * columns + t];
    if (entry >= 0) tally[form * columns + t][entry]++;
  }
}

export const tallyWithout = (total: Tally, parts: readonly Tally[]): Tally =>
  total.map((counts, i) => counts.map((n, e) => parts.reduce((left, part) => left - part[i][e], n)));

/**
 * Frequencies of the entries in each form: a Dirichlet posterior whose prior is
 * the whole table's frequencies, or for counts a normal curve about the form's
 * own mean, worth {@link PRIOR} specimens.
 */
export function frequenciesFrom(tally: Tally, data: PreparedTable): Float64Array[] {
  const columns = data.categorical.length;
  return tally.map((counts, i) => {
    const column = data.categorical[i % columns];
    const n = counts.reduce((a, b) => a + b, 0);
    const general = column.entries.map(
      (_, e) => 0.5 + data.forms.reduce((sum, _form, f) => sum + tally[f * columns + (i % columns)][e], 0),
    );
    const total = general.reduce((a, b) => a + b, 0);
    const even = 1 / column.entries.length;
    const prior =
      column.kind === 'count' && n > 1
        ? curve(column.entries, counts, n).map((p) => (1 - EVEN) * p + EVEN * even)
        : general.map((g) => g / total);
    return counts.map((c, e) => (c + PRIOR * prior[e]) / (n + PRIOR));
  });
}

function curve(entries: readonly string[], counts: Float64Array, n: number): number[] {
  const mean = counts.reduce((sum, c, e) => sum + c * Number(entries[e]), 0) / n;
  const variance = counts.reduce((sum, c, e) => sum + c * (Number(entries[e]) - mean) ** 2, 0) / n;
  return countFrequencies(entries, { mean, sd: Math.max(Math.sqrt(variance), LEAST_SPREAD) });
}

/** ln likelihood of a row's categorical entries under every form, into `out`. */
export function categoricalDensities(
  frequencies: readonly Float64Array[],
  data: PreparedTable,
  row: number,
  out: Float64Array,
): void {
  const columns = data.categorical.length;
  out.fill(0);
  for (let t = 0; t < columns; t++) {
    const entry = data.entries[row * columns + t];
    if (entry < 0) continue;
    for (let f = 0; f < out.length; f++) out[f] += Math.log(frequencies[f * columns + t][entry]);
  }
}
