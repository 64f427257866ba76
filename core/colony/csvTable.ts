import Papa from 'papaparse';
import type { FileProblem } from './bookRow';

/** Several of something in one cell. */
export const BETWEEN = ' | ';

/** A line of a table, by the names of its columns. */
export interface TableLine {
  /** Counted from 1, the head of the table being the first. */
  line: number;
  /** What stands under a name, without white space at its ends; nothing where there is no such column. */
  cell: (column: string) => string;
}

/** A table as CSV (RFC 4180). */
export const writeTable = (fields: readonly string[], data: readonly (readonly string[])[]): string =>
  Papa.unparse({ fields: [...fields], data: data.map((row) => [...row]) }, { newline: '\r\n' });

/**
 * A table read from CSV. Columns may stand in any order; those that are not known are named, and then nothing is read.
 *
 * @param needed the column without which nothing can be read, and what stands in it.
 */
export function readTable(
  text: string,
  known: readonly string[],
  needed: { column: string; what: string },
): { lines: TableLine[]; problems: FileProblem[] } {
  const problems: FileProblem[] = [];
  const parsed = Papa.parse<string[]>(text.replace(/^\uFEFF/, ''), { skipEmptyLines: 'greedy' });
  const [head = [], ...body] = parsed.data;
  const columns = head.map((name) => name.trim());
  for (const name of columns)
    if (!known.includes(name))
      problems.push({
        line: 1,
        column: name,
        message: `There is no column “${name}” in such a file; it has ${known.join(', ')}.`,
      });
  if (!columns.includes(needed.column))
    problems.push({ line: 1, column: needed.column, message: `There is no column “${needed.column}” with ${needed.what}.` });
  for (const { row = 0, message } of parsed.errors.filter(({ type }) => type === 'Quotes'))
    problems.push({ line: row + 1, column: '', message });
  if (problems.length) return { lines: [], problems };
  const lines = body.flatMap((cells, i): TableLine[] => {
    const line = i + 2;
    if (cells.length > columns.length) {
      problems.push({
        line,
        column: '',
        message: `There are ${cells.length} cells in this line, and ${columns.length} columns.`,
      });
      return [];
    }
    return [{ line, cell: (name) => (columns.includes(name) ? (cells[columns.indexOf(name)] ?? '').trim() : '') }];
  });
  return { lines, problems };
}

/** What stands in one cell, parted. */
export const severalIn = (cell: string): string[] =>
  cell
    .split('|')
    .map((one) => one.trim())
    .filter(Boolean);
