import Papa from 'papaparse';
import type { COLUMN_KINDS } from '../guide/working';
import { failed, done, type Outcome, type Problem } from '../problem';

/** Which columns of a table say what each specimen is. */
export interface Labels {
  taxon?: string;
  sex?: string;
  stage?: string;
  morph?: string;
}

export const LABELS = ['taxon', 'sex', 'stage', 'morph'] as const;

export type ColumnKind = (typeof COLUMN_KINDS)[number];

/** What columns hold, where it is not to be guessed. */
export type Kinds = Readonly<Record<string, ColumnKind>>;

/** A column taken as a character, or left out with the reason. */
export interface Column {
  name: string;
  kind: ColumnKind;
  missing: number;
  /** Why it is left out, where it is. */
  leftOut?: string;
  /** Distinct entries of a nominal column, in order of first appearance. */
  entries?: string[];
}

/** A row that could not be taken, by its line in the file. */
export interface RowProblem extends Problem {
  line: number;
}

/** A table of labelled, measured specimens. */
export interface Table {
  columns: Column[];
  /** One entry a specimen: its labels and its cells as text, '' where missing. */
  rows: { line: number; labels: Labels; cells: string[] }[];
  problems: RowProblem[];
}

/** Entries that stand for a missing cell. */
const MISSING = new Set(['', 'na', 'n/a', 'nan', 'null', '-', '–', '?', '.']);

/** A column is taken as numbers when this share of its entries are. */
const NUMERIC = 0.9;
/** Whole numbers with few different ones, none above this, are counts. */
const MOST_COUNTED = 30;
const MOST_DISTINCT_COUNTS = 12;
const MOST_STATES = 40;
/** A count that is said to be one may go this far. */
const MOST_COUNT = 500;

/** A number as typed, with a decimal point or comma; NaN when it is none. */
export function numberOf(cell: string): number {
  const plain = Number(cell);
  if (Number.isFinite(plain)) return /[xob]/i.test(cell) || cell.trim() === '' ? Number.NaN : plain;
  return /^\s*[+-]?\d+,\d+\s*$/.test(cell) ? Number(cell.replace(',', '.')) : Number.NaN;
}

/**
 * Read a CSV of labelled specimens with a header. Delimiters are recognised;
 * missing cells are allowed. Rows that cannot be taken are named by line and left
 * out; a table that cannot be understood is refused with the field at fault.
 */
export function readTable(csv: string, labels: Labels, ignore: readonly string[] = [], kinds: Kinds = {}): Outcome<Table> {
  const parsed = Papa.parse<string[]>(csv.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [header, ...body] = parsed.data;
  const names = header?.map((name) => name.trim()) ?? [];
  const problems = [...headerProblems(names, labels, ignore), ...kindProblems(names, labels, ignore, kinds)];
  if (problems.length > 0) return failed(...problems);
  if (body.length === 0) return failed({ code: 'no-rows', message: 'The table has a header but no specimens.', field: 'csv' });
  const labelAt = LABELS.flatMap((label) => (labels[label] ? [{ label, at: names.indexOf(labels[label]) }] : []));
  const used = names.flatMap((name, at) => (labelAt.some((one) => one.at === at) || ignore.includes(name) ? [] : [{ name, at }]));
  const rows: Table['rows'] = [];
  const broken: RowProblem[] = [];
  body.forEach((cells, i) => {
    const line = i + 2;
    const problem = rowProblem(cells, line, names.length, labelAt);
    if (problem) broken.push(problem);
    else {
      rows.push({
        line,
        labels: Object.fromEntries(labelAt.map(({ label, at }) => [label, cells[at].trim()])),
        cells: used.map(({ at }) => (MISSING.has(cells[at].trim().toLowerCase()) ? '' : cells[at].trim())),
      });
    }
  });
  const columns = used.map(({ name }, c) => {
    const cells = rows.map((row) => row.cells[c]);
    return kinds[name] ? described(name, kinds[name], cells) : describe(name, cells);
  });
  const kept = rows.filter((row) => {
    const problem = cellProblem(row, columns);
    if (problem) broken.push(problem);
    return !problem;
  });
  for (const [c, column] of columns.entries())
    if (column.kind === 'nominal') column.entries = distinct(kept.map((row) => row.cells[c]));
  return done({ columns, rows: kept, problems: broken.sort((a, b) => a.line - b.line) });
}

function headerProblems(names: readonly string[], labels: Labels, ignore: readonly string[]): Problem[] {
  if (names.length < 2)
    return [{ code: 'no-columns', message: 'The table needs a header line and at least two columns.', field: 'csv' }];
  const problems: Problem[] = [];
  const twice = names.find((name, i) => names.indexOf(name) !== i);
  if (twice !== undefined)
    problems.push({ code: 'column-twice', message: `Two columns are called “${twice}”; rename one.`, field: 'csv' });
  if (names.includes(''))
    problems.push({ code: 'column-unnamed', message: `Column ${names.indexOf('') + 1} has no name; give it one.`, field: 'csv' });
  const given = LABELS.filter((label) => labels[label] !== undefined);
  if (given.length === 0) {
    problems.push({ code: 'no-labels', message: 'Say which column names the taxon, sex, stage or morph.', field: 'labels' });
  }
  for (const label of given) {
    if (!names.includes(labels[label]!)) {
      problems.push({ code: 'unknown-column', message: `There is no column “${labels[label]}”.`, field: `labels.${label}` });
    }
    if (given.some((other) => other !== label && labels[other] === labels[label])) {
      problems.push({
        code: 'label-twice',
        message: `Column “${labels[label]}” cannot be two labels at once.`,
        field: `labels.${label}`,
      });
    }
  }
  ignore.forEach((name, i) => {
    if (!names.includes(name))
      problems.push({ code: 'unknown-column', message: `There is no column “${name}” to leave out.`, field: `ignore[${i}]` });
    if (given.some((label) => labels[label] === name)) {
      problems.push({
        code: 'label-ignored',
        message: `“${name}” is both a label and left out; choose one.`,
        field: `ignore[${i}]`,
      });
    }
  });
  return problems;
}

function rowProblem(
  cells: readonly string[],
  line: number,
  width: number,
  labelAt: readonly { label: string; at: number }[],
): RowProblem | undefined {
  if (cells.length !== width) {
    return { line, code: 'row-width', message: `Line ${line} has ${cells.length} cells, the header ${width}.` };
  }
  const unlabelled = labelAt.find(({ at }) => MISSING.has(cells[at].trim().toLowerCase()));
  return (
    unlabelled && { line, code: 'label-missing', message: `Line ${line} has no ${unlabelled.label}.`, field: unlabelled.label }
  );
}

function cellProblem(row: Table['rows'][number], columns: readonly Column[]): RowProblem | undefined {
  const at = columns.findIndex(
    ({ kind, leftOut }, c) =>
      !leftOut &&
      kind !== 'nominal' &&
      row.cells[c] !== '' &&
      (Number.isNaN(numberOf(row.cells[c])) || (kind === 'count' && !Number.isInteger(numberOf(row.cells[c])))),
  );
  if (at < 0) return undefined;
  const { name, kind } = columns[at];
  return {
    line: row.line,
    code: 'not-a-number',
    message: `Line ${row.line}: “${row.cells[at]}” in “${name}” is not a ${kind === 'count' ? 'whole ' : ''}number.`,
    field: name,
  };
}

const distinct = (cells: readonly string[]) => [...new Set(cells.filter((cell) => cell !== ''))];

function kindProblems(names: readonly string[], labels: Labels, ignore: readonly string[], kinds: Kinds): Problem[] {
  return Object.keys(kinds).flatMap((name): Problem[] => {
    const field = `kinds.${name}`;
    if (!names.includes(name)) return [{ code: 'unknown-column', message: `There is no column “${name}”.`, field }];
    const other = ignore.includes(name) || LABELS.some((label) => labels[label] === name);
    return other
      ? [{ code: 'kind-of-no-character', message: `“${name}” is a label or left out, so it holds no character.`, field }]
      : [];
  });
}

/** A column whose kind was said: only what cannot be of that kind is left out. */
function described(name: string, kind: ColumnKind, cells: readonly string[]): Column {
  const filled = cells.filter((cell) => cell !== '');
  const missing = cells.length - filled.length;
  const different = distinct(filled);
  const good = filled.map(numberOf).filter((x) => (kind === 'count' ? Number.isInteger(x) && x >= 0 : !Number.isNaN(x)));
  const whole = { name, kind, missing };
  if (different.length < 2) return { ...whole, leftOut: 'every specimen has the same' };
  if (kind === 'nominal') {
    return different.length > MOST_STATES
      ? { ...whole, leftOut: `it has ${different.length} different entries` }
      : { ...whole, entries: different };
  }
  if (good.length < filled.length * NUMERIC)
    return { ...whole, leftOut: kind === 'count' ? 'it holds no whole numbers' : 'it holds no numbers' };
  if (kind === 'count' && Math.max(...good) > MOST_COUNT) return { ...whole, leftOut: `it counts beyond ${MOST_COUNT}` };
  return whole;
}

/** What a column holds, guessed from its cells. */
function describe(name: string, cells: readonly string[]): Column {
  const filled = cells.filter((cell) => cell !== '');
  const missing = cells.length - filled.length;
  const different = distinct(filled);
  const numbers = filled.map(numberOf);
  const good = numbers.filter((x) => !Number.isNaN(x));
  const leftOut = (kind: ColumnKind, why: string): Column => ({ name, kind, missing, leftOut: why });
  if (filled.length === 0) return leftOut('nominal', 'it is empty');
  if (good.length / filled.length >= NUMERIC && new Set(good).size > 2) {
    const whole = good.every(Number.isInteger);
    if (whole && filled.length === cells.length && numbers.every((x, i) => x === numbers[0] + i)) {
      return leftOut('count', 'it only numbers the rows');
    }
    const counted = whole && Math.min(...[0, ...good]) >= 0 && new Set(good).size <= MOST_DISTINCT_COUNTS;
    return { name, kind: counted && good.every((x) => x <= MOST_COUNTED) ? 'count' : 'measurement', missing };
  }
  if (different.length < 2) return leftOut('nominal', 'every specimen has the same');
  if (different.length > Math.min(MOST_STATES, filled.length / 3))
    return leftOut('nominal', `it has ${different.length} different entries`);
  return { name, kind: 'nominal', missing, entries: different };
}
