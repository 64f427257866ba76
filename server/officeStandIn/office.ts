import { createHash } from 'node:crypto';
import { existsSync, readFileSync, renameSync, writeFileSync } from 'node:fs';
import type { OfficeReceipt, Recovery } from '@plesion/contract';
import { dayAfter, ringOf } from '@plesion/core/fieldwork';
import { readTable } from '@plesion/core/import';
import express, { type Express } from 'express';

/** What the office keeps: each file by its id, and who put on which ring. */
interface Kept {
  files: Record<string, { sha256: string; receipt: OfficeReceipt }>;
  rings: Record<string, { station: string; file: string }>;
  /** By the station that put the ring on. */
  recoveries: Record<string, Recovery[]>;
}

const MOST = '32mb';
/** Of so many rings one is found. */
const FOUND = 31;
const FINDERS = ['Ysol Tarrin', 'Odden Vael', 'the warden of Outer Skerry', 'two children of Kelder'];
const WAYS = [
  'found dead on a strand',
  'ring read through a telescope',
  'taken and let go by another station',
  'found by a cat’s owner',
];
const PLACES = ['Far Narrows', 'Kelder Sands', 'Morrin Light', 'the Inner Lagoon'];

/**
 * A ringing office that stands in for a real one: it takes a season's file, answers with a receipt and errors by line,
 * and has recoveries of some of the rings. The same file twice is the same receipt.
 *
 * @param path file that it keeps its books in.
 * @param today the day it is, as YYYY-MM-DD.
 */
export function openOffice(path: string, today: () => string): Express {
  const kept: Kept = existsSync(path)
    ? (JSON.parse(readFileSync(path, 'utf8')) as Kept)
    : { files: {}, rings: {}, recoveries: {} };
  const keep = () => {
    writeFileSync(`${path}.new`, JSON.stringify(kept), { mode: 0o600 });
    renameSync(`${path}.new`, path);
  };
  const app = express();
  app.disable('x-powered-by');
  app.put('/files/:id', express.text({ type: 'text/csv', limit: MOST }), (request, response) => {
    const { id } = request.params;
    const station = request.get('x-station') ?? '';
    const text: unknown = request.body;
    if (!/^[0-9a-f-]{36}$/.test(id) || !station || typeof text !== 'string' || !text)
      return void response.status(400).json({ message: 'Send a file as text/csv, with the station’s name in x-station.' });
    const sha256 = createHash('sha256').update(text).digest('hex');
    const before = kept.files[id];
    if (before && before.sha256 !== sha256)
      return void response.status(409).json({ message: 'Another file was sent under this number before.' });
    if (!before) {
      const receipt = take(kept, { id, station, text, today: today() });
      if (!receipt) return void response.status(422).json({ message: 'This is not a season’s file: its columns are others.' });
      kept.files[id] = { sha256, receipt };
      keep();
    }
    response.json(kept.files[id].receipt);
  });
  app.get('/recoveries', (request, response) => {
    response.json({
      recoveries: (kept.recoveries[request.get('x-station') ?? ''] ?? []).filter(({ foundOn }) => foundOn <= today()),
    });
  });
  return app;
}

/** Check each line, and enter what stands. */
function take(kept: Kept, sent: { id: string; station: string; text: string; today: string }): OfficeReceipt | undefined {
  const { id, station, text, today } = sent;
  const table = readTable(text, { delimiter: ',' });
  if (!table.ok || !['record', 'ring', 'what', 'at', 'kind'].every((column) => table.value.columns.includes(column)))
    return undefined;
  const errors: OfficeReceipt['errors'] = [];
  const { columns, rows } = table.value;
  for (const { line, cells } of rows) {
    const row = Object.fromEntries(columns.map((column, i) => [column, cells[i] ?? '']));
    const ring = ringOf(row.ring);
    const holder = ring ? kept.rings[ring] : undefined;
    const wrong = !ring
      ? ['no-ring', 'There is no ring on this line.']
      : row.at.slice(0, 10) > today
        ? ['day-to-come', 'This day is still to come.']
        : !row.kind
          ? ['no-kind', 'The kind is missing.']
          : row.what === 'ringed' && (!row.age || row.age === 'U')
            ? ['no-age', 'A ring that is put on needs an age.']
            : row.what === 'ringed' && holder
              ? [
                  'ring-known',
                  holder.station === station ? `${ring} was put on before.` : `${ring} was put on by another station.`,
                ]
              : undefined;
    if (wrong) {
      errors.push({ line, code: wrong[0], message: wrong[1] });
      continue;
    }
    if (row.what !== 'ringed') continue;
    kept.rings[ring!] = { station, file: id };
    const recovery = recoveryOf(ring!, row);
    if (recovery) (kept.recoveries[station] ??= []).push(recovery);
  }
  const number = String(Object.keys(kept.files).length + 1).padStart(5, '0');
  return { receipt: `${today.slice(0, 4)}-${number}`, rows: rows.length, taken: rows.length - errors.length, errors };
}

/** Some rings are found, somewhere else, by somebody else: told by the ring alone, so that it is the same each time. */
function recoveryOf(ring: string, row: Record<string, string>): Recovery | undefined {
  const digest = createHash('sha256').update(`recovery ${ring}`).digest();
  if (digest[0] % FOUND !== 0) return undefined;
  const pick = <T>(all: readonly T[], i: number): T => all[digest[i] % all.length];
  const hex = digest.toString('hex');
  const [latitude, longitude] = [Number(row.latitude), Number(row.longitude)];
  const off = (i: number) => (digest[i] - 128) / 60;
  const placed = row.latitude !== '' && row.longitude !== '';
  return {
    id: `${hex.slice(0, 8)}-${hex.slice(8, 12)}-8${hex.slice(13, 16)}-8${hex.slice(17, 20)}-${hex.slice(20, 32)}`,
    ring,
    foundOn: dayAfter(row.at.slice(0, 10), 6 + digest[1]),
    place: pick(PLACES, 2),
    ...(placed
      ? { position: { latitude: Number((latitude + off(3)).toFixed(4)), longitude: Number((longitude + off(4)).toFixed(4)) } }
      : {}),
    finder: pick(FINDERS, 5),
    identifier: 'the ringing office',
    what: pick(WAYS, 6),
  };
}
