import { readSheet } from 'read-excel-file/browser';
import writeXlsxFile from 'write-excel-file/browser';

/** Larger files are no table of characters. */
const MOST_BYTES = 20 * 1024 * 1024;

/** The first sheet of a workbook (XLSX) as lines of cells; or why not. */
export async function readWorkbook(file: Blob): Promise<string[][] | string> {
  if (file.size > MOST_BYTES) return 'A workbook of more than 20 MB is too large; save the one sheet as CSV.';
  try {
    const rows = await readSheet(file as File);
    const dated = rows.findIndex((row) => row.some((cell) => (cell as unknown) instanceof Date));
    // A spreadsheet takes 5-7 for the seventh of May, and nobody can say any more what was meant.
    if (dated >= 0)
      return `Line ${dated + 1}: the spreadsheet took a cell for a date. Format the cells as text, write it again, and save.`;
    return rows.map((row) => row.map((cell) => (cell === null ? '' : String(cell))));
  } catch {
    return 'This is no workbook that can be read; save it as XLSX or CSV.';
  }
}

/** Lines of cells as a workbook of one sheet; every cell is text, so that no range becomes a date. */
export const writeWorkbook = (lines: readonly (readonly string[])[]): Promise<Blob> =>
  writeXlsxFile(lines.map((line) => line.map((value) => ({ value, type: String })))).toBlob();
