import Papa from 'papaparse';
import { done, failed, type Outcome } from '../problem';

/** A table as it was written: its columns, and each row with the line that it begins on. */
export interface Table {
  columns: string[];
  rows: { line: number; cells: string[] }[];
}

/** How a file of a table is written, where it says so. */
export interface Writing {
  delimiter?: string;
  quote?: string;
  /** Lines before the first row; its names are given otherwise where there is no header. */
  header?: number;
  names?: string[];
}

const MOST_ROWS = 50_000;
const MOST_COLUMNS = 200;

/**
 * Read a table with a header (RFC 4180; the delimiter is recognised where it is not said, line breaks within
 * quotes are part of their cell). Errors: `no-rows`, `no-columns`, `too-many-rows`, `column-twice`.
 */
export function readTable(text: string, { delimiter, quote, header = 1, names }: Writing = {}): Outcome<Table> {
  const rows: Table['rows'] = [];
  let line = 1;
  let at = 0;
  let read: string[] = [];
  let more = false;
  Papa.parse<string[]>(text, {
    delimiter: delimiter ?? '',
    // A character that no text has, where cells stand bare.
    ...(quote === undefined ? {} : { quoteChar: quote || '\u0000' }),
    step({ data, meta }, parser) {
      const begins = line;
      line += breaksIn(text, at, meta.cursor);
      at = meta.cursor;
      if (data.every((cell) => cell.trim() === '')) return;
      if (begins <= header && header > 0 && !read.length) read = data.map((cell) => cell.trim());
      else if (rows.length === MOST_ROWS) {
        more = true;
        parser.abort();
      } else rows.push({ line: begins, cells: data });
    },
  });
  const columns = (names ?? read).slice(0, MOST_COLUMNS);
  if (more)
    return failed({
      code: 'too-many-rows',
      message: `The table has more than ${MOST_ROWS} rows. Split it by years, and read them in one after the other.`,
      field: 'file',
    });
  if (columns.length < 2)
    return failed({
      code: 'no-columns',
      message: 'The file needs a line of column names, and at least two columns.',
      field: 'file',
    });
  const twice = columns.find((name, i) => name && columns.indexOf(name) !== i);
  if (twice)
    return failed({ code: 'column-twice', message: `Two columns are called “${twice}”; rename one of them.`, field: 'file' });
  if (!rows.length) return failed({ code: 'no-rows', message: 'The table has column names but no rows.', field: 'file' });
  return done({ columns, rows });
}

/** Line breaks in a stretch of the text: `\r\n`, `\n`, or a bare `\r`. */
function breaksIn(text: string, from: number, to: number): number {
  let n = 0;
  for (let i = from; i < to; i++) {
    const code = text.charCodeAt(i);
    if (code === 10 || (code === 13 && text.charCodeAt(i + 1) !== 10)) n++;
  }
  return n;
}

const WORD = /^'(?=[=+\-@\t\r])/;
/** A cell without the mark that keeps a spreadsheet from running it as a formula. */
export const plainCell = (cell: string | undefined): string => (cell ?? '').replace(WORD, '').trim();
