import { Blob as NodeBlob } from 'node:buffer';
import writeXlsxFile from 'write-excel-file/browser';
import { readWorkbook, writeWorkbook } from './spreadsheet';

const LINES = [
  ['taxon', 'Legs', 'Body (mm)'],
  ['Velda alba', 'red; black rarely', '5-7'],
  ['Velda <nigra> & co', '', '(28–)31–38(–41)'],
];

it('a workbook that is written is read back the same, its ranges still ranges', async () => {
  const file = await writeWorkbook(LINES);
  expect(file.size).toBeGreaterThan(500);
  expect(await readWorkbook(file)).toEqual(LINES);
});

it('a cell that the spreadsheet took for a date is told by its line', async () => {
  const dated = await writeXlsxFile([
    [{ value: 'taxon' }, { value: 'Body' }],
    [{ value: 'Velda' }, { value: new Date(Date.UTC(2026, 4, 7)), type: Date, format: 'dd.mm.yyyy' }],
  ]).toBlob();
  expect(await readWorkbook(dated)).toMatch(/^Line 2: the spreadsheet took a cell for a date/);
});

it('what is no workbook, or too large, is refused in words', async () => {
  expect(await readWorkbook(new NodeBlob(['PK no workbook']) as unknown as Blob)).toMatch(/no workbook that can be read/);
  expect(await readWorkbook({ size: 21 * 1024 * 1024 } as Blob)).toMatch(/more than 20 MB/);
});
