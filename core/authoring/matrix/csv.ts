import Papa from 'papaparse';
import { done, failed, type Outcome } from '../../problem';
import { columnOf } from './column';
import { fullLabel, type Matrix, UNKNOWN } from './matrix';
import { tooLarge } from './size';

/** A matrix as lines of a table: taxa down, characters across; the unit of a number in brackets behind its name. */
export const tableOf = ({ taxa, characters, cells }: Matrix): string[][] => [
  ['taxon', ...characters.map(fullLabel)],
  ...taxa.map((taxon, t) => [taxon, ...cells[t].map((cell) => (cell === UNKNOWN ? '' : cell))]),
];

export const writeCsv = (matrix: Matrix): string => csvOf(tableOf(matrix));

/** The same, a line for each cell: `taxon,character,value`. */
export const writeLongCsv = ({ taxa, characters, cells }: Matrix): string =>
  Papa.unparse(
    [
      ['taxon', 'character', 'value'],
      ...taxa.flatMap((taxon, t) =>
        characters.flatMap((character, c) => (cells[t][c] === UNKNOWN ? [] : [[taxon, fullLabel(character), cells[t][c]]])),
      ),
    ],
    { newline: '\n' },
  );

/**
 * Read a table in: a row for each taxon and a column for each character, or turned where its corner says "character";
 * or, where its columns are taxon, character and value, a line for each cell. What is a number and what a state is told by what stands in the column.
 *
 * @returns the matrix; or `no-matrix`, `taxon-twice`, `character-twice` with the line, or `too-large`.
 */
export function readCsv(text: string): Outcome<Matrix> {
  const { data, errors } = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  // A quotation mark that is not closed takes all that follows into its cell.
  const open = errors.find(({ type }) => type === 'Quotes');
  if (!open) return readTable(data);
  const line = (open.row ?? 0) + 1;
  return failed({
    code: 'no-matrix',
    message: `Line ${line}: a quotation mark is not closed, or stands within a cell; write "" for one that is meant.`,
    field: `line ${line}`,
  });
}

/** Lines of a table as text, as {@link readCsv} reads it. */
export const csvOf = (lines: readonly (readonly string[])[]): string =>
  Papa.unparse(
    lines.map((line) => [...line]),
    { newline: '\n' },
  );

/** The same, of lines that are at hand as such. */
function readTable(lines: readonly (readonly string[])[]): Outcome<Matrix> {
  const [head = [], ...rows] = lines
    .map((line) => withoutEmptyEnd(line.map((cell) => cell.trim().replace(/\s+/g, ' '))))
    .filter((line) => line.length > 0);
  if (head.length < 2 || rows.length === 0)
    return failed({
      code: 'no-matrix',
      message: 'Give a table whose first line names the characters and whose first column names the taxa.',
      field: 'text',
    });
  const wide = rows.findIndex((row) => row.length > head.length);
  if (wide >= 0)
    return failed({
      code: 'no-matrix',
      message: `Line ${wide + 2} has ${rows[wide].length} cells, and the first line names ${head.length} columns; mend the one or the other.`,
      field: `line ${wide + 2}`,
    });
  const names = head.map((one) => one.toLowerCase());
  // A table that was turned says so in its corner.
  if (/^characters?$/.test(names[0]) && !names.includes('value')) return wideOf(...turned([head, ...rows]));
  const at = ['taxon', 'character', 'value'].map((name) => names.indexOf(name));
  return at.every((i) => i >= 0) ? longOf(rows, at) : wideOf(head, rows);
}

const withoutEmptyEnd = (line: readonly string[]) => line.slice(0, line.findLastIndex((cell) => cell !== '') + 1);

const turned = (lines: readonly string[][]): [string[], string[][]] => {
  const [head, ...rows] = lines[0].map((_, c) => lines.map((line) => line[c] ?? ''));
  return [head, rows];
};

/** A matrix whose characters are told by what stands in their columns. */
const toldBy = (taxa: string[], labels: readonly string[], cells: string[][]): Matrix => ({
  taxa,
  characters: labels.map((label, c) =>
    columnOf(
      label,
      cells.map((row) => row[c]),
    ),
  ),
  cells,
});

function wideOf(head: readonly string[], rows: readonly string[][]): Outcome<Matrix> {
  const labels = head.slice(1);
  const empty = labels.findIndex((label) => label === '');
  if (empty >= 0)
    return failed({
      code: 'no-matrix',
      message: `Column ${empty + 2} has no name; say in the first line what it is.`,
      field: 'line 1',
    });
  const large = tooLarge(rows.length, labels.length);
  if (large) return failed(large);
  const twice = labels.find((label, i) => labels.indexOf(label) < i);
  if (twice !== undefined)
    return failed({ code: 'character-twice', message: `“${twice}” stands above two columns.`, field: 'line 1' });
  const taxa = rows.map(([name = '']) => name);
  const met = new Set<string>();
  for (const [i, name] of taxa.entries()) {
    const field = `line ${i + 2}`;
    if (!name) return failed({ code: 'no-matrix', message: `Line ${i + 2} names no taxon.`, field });
    if (met.has(name.toLowerCase())) return failed({ code: 'taxon-twice', message: `“${name}” stands in two lines.`, field });
    met.add(name.toLowerCase());
  }
  const cells = rows.map((row) => labels.map((_, c) => row[c + 1] || UNKNOWN));
  return done(toldBy(taxa, labels, cells));
}

function longOf(rows: readonly string[][], at: readonly number[]): Outcome<Matrix> {
  const lines = rows.map((row) => at.map((i) => row[i] ?? ''));
  const gap = lines.findIndex(([taxon, character]) => !taxon || !character);
  if (gap >= 0)
    return failed({ code: 'no-matrix', message: `Line ${gap + 2} wants a taxon and a character.`, field: `line ${gap + 2}` });
  const taxa = [...new Set(lines.map(([taxon]) => taxon))];
  const labels = [...new Set(lines.map(([, character]) => character))];
  const large = tooLarge(taxa.length, labels.length);
  if (large) return failed(large);
  const places = [new Map(taxa.map((name, t) => [name, t])), new Map(labels.map((name, c) => [name, c]))];
  const cells = taxa.map(() => labels.map(() => UNKNOWN));
  for (const [taxon, character, value] of lines) {
    const row = cells[places[0].get(taxon)!];
    const c = places[1].get(character)!;
    // Several lines of one cell are several states of it.
    row[c] = row[c] === UNKNOWN ? value || UNKNOWN : `${row[c]}; ${value}`;
  }
  return done(toldBy(taxa, labels, cells));
}
