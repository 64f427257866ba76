import { done, failed, type Outcome } from '../problem';
import { type Labels, LABELS, numberOf, type RowProblem, type Table } from './table';

/** One kind of specimen in a table, by its labels. */
export interface LabelledForm {
  /** The labels joined, as a person would say them. */
  name: string;
  labels: Labels;
  n: number;
}

/** A table in numbers: what learning works on. */
export interface PreparedTable {
  forms: LabelledForm[];
  /** Form of each row. */
  of: Int32Array;
  /** Names of the measured columns, and their values by row; NaN where missing. */
  measured: string[];
  values: Float64Array;
  /** Counts and nominal columns with their entries, and the entry of each cell by row; −1 where missing. */
  categorical: { name: string; kind: 'count' | 'nominal'; entries: string[] }[];
  entries: Int16Array;
}

/** A form with fewer specimens cannot be learned. */
export const LEAST_SPECIMENS = 2;

/** Counts may go at least so far beyond those of the table. */
const MORE = 3;

/** A table in numbers. Forms with too few specimens are left out, named by line. */
export function prepareData(table: Table): Outcome<{ data: PreparedTable; problems: RowProblem[] }> {
  const keyOf = (labels: Labels) => LABELS.flatMap((label) => labels[label] ?? []).join(' · ');
  const named = table.rows.map((row) => ({ ...row, name: keyOf(row.labels) }));
  const counts = new Map<string, number>();
  for (const { name } of named) counts.set(name, (counts.get(name) ?? 0) + 1);
  const isRare = ({ name }: { name: string }) => counts.get(name)! < LEAST_SPECIMENS;
  const rows = named.filter((row) => !isRare(row));
  const rare = named.filter(isRare).map(({ line, name }) => ({
    line,
    code: 'too-few',
    message: `Line ${line}: “${name}” has ${counts.get(name)} ${counts.get(name) === 1 ? 'specimen' : 'specimens'}; a form needs ${LEAST_SPECIMENS}.`,
  }));
  const at = new Map<string, number>();
  const forms: LabelledForm[] = [];
  const of = Int32Array.from(rows, ({ labels, name }) => {
    if (!at.has(name)) {
      at.set(name, forms.length);
      forms.push({ name, labels, n: counts.get(name)! });
    }
    return at.get(name)!;
  });
  if (forms.length < 2) {
    return failed({
      code: 'one-form',
      message: `There must be at least two kinds of specimen with ${LEAST_SPECIMENS} or more each; these labels give ${forms.length}.`,
      field: 'labels',
    });
  }
  const used = table.columns.flatMap((column, c) => (column.leftOut ? [] : [{ ...column, c }]));
  if (used.length === 0) {
    return failed({ code: 'no-characters', message: 'No column is left that tells anything of a specimen.', field: 'csv' });
  }
  const measured = used.filter(({ kind }) => kind === 'measurement');
  const categorical = used.filter(({ kind }) => kind !== 'measurement');
  const values = new Float64Array(rows.length * measured.length);
  rows.forEach(({ cells }, r) =>
    measured.forEach(({ c }, m) => (values[r * measured.length + m] = cells[c] === '' ? Number.NaN : numberOf(cells[c]))),
  );
  const places = categorical.map(({ entries }) => new Map(entries?.map((entry, e) => [entry, e])));
  const entriesOf = categorical.map(({ kind, entries, c }) =>
    kind === 'count' ? wholeNumbers(rows.map(({ cells }) => cells[c])) : entries!,
  );
  const entries = new Int16Array(rows.length * categorical.length);
  rows.forEach(({ cells }, r) =>
    categorical.forEach(({ kind, c }, t) => {
      const place = kind === 'count' ? numberOf(cells[c]) - Number(entriesOf[t][0]) : places[t].get(cells[c])!;
      entries[r * categorical.length + t] = cells[c] === '' ? -1 : place;
    }),
  );
  return done({
    data: {
      forms,
      of,
      measured: measured.map(({ name }) => name),
      values,
      categorical: categorical.map(({ name, kind }, t) => ({ name, kind: kind as 'count' | 'nominal', entries: entriesOf[t] })),
      entries,
    },
    problems: rare,
  });
}

/**
 * Every whole number from the least counted to the most, and as far again to
 * either side: a specimen yet to come may have one more than any of these.
 */
function wholeNumbers(cells: readonly string[]): string[] {
  const seen = cells.filter((cell) => cell !== '').map(numberOf);
  const [least, most] = seen.reduce(([low, high], x) => [Math.min(low, x), Math.max(high, x)], [Infinity, -Infinity]);
  const beyond = Math.max(MORE, most - least);
  const from = Math.max(0, least - beyond);
  return Array.from({ length: most + beyond - from + 1 }, (_, i) => String(from + i));
}
