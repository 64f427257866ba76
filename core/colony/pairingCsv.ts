import { z } from 'zod';
import type { FileProblem } from './bookRow';
import { BETWEEN, readTable, severalIn, type TableLine, writeTable } from './csvTable';
import { Clutch, Pairing } from './schema';

/** A pairing as a file has it: parents by their names; what it is called there where it is new, and its clutches. */
export interface PairingRow extends Omit<Pairing, 'guideId' | 'fathers' | 'mothers' | 'clutches'> {
  id?: string;
  fathers: string[];
  mothers: string[];
  clutches: (Omit<Clutch, 'id'> & { id?: string })[];
}

/** Pairings read, and in which lines each and its clutches stand. */
export interface PairingsRead {
  rows: PairingRow[];
  lines: { line: number; clutches: number[] }[];
  problems: FileProblem[];
}

const OF_PAIR = ['pairing', 'fathers', 'mothers', 'pen', 'from', 'until', 'why mixed', 'note'] as const;
const OF_CLUTCH = ['clutch', 'laid', 'eggs', 'hatched', 'young', 'lost', 'clutch note'] as const;
const COLUMNS: readonly string[] = [...OF_PAIR, ...OF_CLUTCH];

/** Pairings as CSV (RFC 4180): a line for each clutch, and one for a pairing without any; `pairing` and `clutch` say what belongs together. */
export function writePairingsCsv(rows: readonly PairingRow[]): string {
  const data = rows.flatMap(({ id = '', fathers, mothers, pen = '', from, until = '', override = '', note = '', clutches }) => {
    const pair = [id, fathers.join(BETWEEN), mothers.join(BETWEEN), pen, from, until, override, note];
    const all = clutches.map((one) => [
      ...[one.id ?? '', one.laid, String(one.eggs), one.hatched ?? ''],
      ...[one.young, one.lost].map((n) => (n === undefined ? '' : String(n))),
      one.note ?? '',
    ]);
    return all.length ? all.map((clutch) => [...pair, ...clutch]) : [[...pair, ...OF_CLUTCH.map(() => '')]];
  });
  return writeTable(COLUMNS, data);
}

const PairAlone = Pairing.pick({ pen: true, from: true, until: true, override: true, note: true });
const ClutchAlone = Clutch.omit({ id: true });
const isId = (text: string) => z.uuid().safeParse(text).success;

/** Under which column a field of a pairing, or of a clutch, stands in the file. */
export const pairingColumn = (field: string): string => (field === 'override' ? 'why mixed' : field);

/** The same read again: lines of one `pairing` are one; a pairing or a clutch called by no id of Plesion is new. */
export function readPairingsCsv(text: string): PairingsRead {
  const { lines, problems } = readTable(text, COLUMNS, { column: 'fathers', what: 'whoever is or may be the father' });
  const rows: PairingRow[] = [];
  const places: PairingsRead['lines'] = [];
  const byKey = new Map<string, number>();
  const firsts: TableLine['cell'][] = [];
  for (const { line, cell } of lines) {
    const said = pairIn(cell);
    const key = cell('pairing') || `line ${line}`;
    const known = byKey.get(key);
    const at = (column: string, message: string) => problems.push({ line, column, message });
    if (known === undefined) {
      const pair = PairAlone.safeParse(said);
      for (const { path, message } of pair.error?.issues ?? []) at(columnAt(path), `${message}.`);
      const [fathers, mothers] = (['fathers', 'mothers'] as const).map((side) => severalIn(cell(side)));
      for (const [side, names] of [
        ['fathers', fathers],
        ['mothers', mothers],
      ] as const)
        if (!names.length || names.length > 12) at(side, 'Name one, or up to twelve that it may be.');
      byKey.set(key, rows.length);
      rows.push({
        ...(isId(key) ? { id: key } : {}),
        ...(pair.success ? pair.data : { from: '' }),
        ...{ fathers, mothers, clutches: [] },
      });
      places.push({ line, clutches: [] });
      firsts.push(cell);
    } else if (OF_PAIR.some((column) => cell(column) !== firsts[known](column)))
      at(
        'pairing',
        `What is said of the pairing is another thing in line ${places[known].line}; say the same, or call it otherwise.`,
      );
    readClutch(rows[known ?? rows.length - 1], places[known ?? rows.length - 1], line, cell, at);
  }
  return { rows, lines: places, problems };
}

const columnAt = (path: readonly PropertyKey[]): string => pairingColumn(String(path[0]));

const written = (cell: TableLine['cell'], columns: Record<string, string>): Record<string, string> =>
  Object.fromEntries(Object.entries(columns).flatMap(([field, column]) => (cell(column) ? [[field, cell(column)]] : [])));

const pairIn = (cell: TableLine['cell']) =>
  written(cell, { pen: 'pen', from: 'from', until: 'until', override: 'why mixed', note: 'note' });

function readClutch(
  row: PairingRow,
  place: PairingsRead['lines'][number],
  line: number,
  cell: TableLine['cell'],
  at: (column: string, message: string) => void,
): void {
  if (OF_CLUTCH.every((column) => !cell(column))) return;
  const numbers = written(cell, { eggs: 'eggs', young: 'young', lost: 'lost' });
  const clutch = ClutchAlone.safeParse({
    ...written(cell, { laid: 'laid', hatched: 'hatched', note: 'clutch note' }),
    ...Object.fromEntries(Object.entries(numbers).map(([field, text]) => [field, Number(text)])),
  });
  for (const { path, message } of clutch.error?.issues ?? [])
    at(path[0] === 'note' ? 'clutch note' : columnAt(path), `${message}.`);
  if (!clutch.success) return;
  row.clutches.push({ ...(isId(cell('clutch')) ? { id: cell('clutch') } : {}), ...clutch.data });
  place.clutches.push(line);
}
