import { CaptureContent, SiteContent, VisitContent } from '../fieldwork/schema';
import { done, failed, type Outcome } from '../problem';
import { type ArchiveMeta, type ArchivePart, readArchiveMeta } from './archiveMeta';
import { plainCell, readTable, type Table } from './table';
import { textOf } from './text';

/** A Darwin Core archive as one table of occurrences, and what Plesion wrote into it word by word. */
export interface ReadArchive {
  /** Occurrences by their terms; each kind of measurement is a column of its own. */
  table: Table;
  sites: [string, SiteContent][];
  visits: [string, VisitContent][];
  captures: [string, CaptureContent][];
  /** What was met and not taken, in words. */
  notUnderstood: string[];
}

/** A row by its terms. */
type Told = Record<string, string>;
interface PartRow {
  line: number;
  core: string;
  told: Told;
}

/** Files of an archive by name. */
export type ArchiveFiles = ReadonlyMap<string, Uint8Array>;

/**
 * Read a Darwin Core archive: events with occurrences, or occurrences alone, in any order of columns, delimiters and
 * encodings its descriptor tells. Errors: `bad-meta`, `file-missing`, and those of tables.
 */
export function readArchive(files: ArchiveFiles): Outcome<ReadArchive> {
  const meta = files.get('meta.xml');
  if (!meta) return readLoose(files);
  const read = readArchiveMeta(textOf(meta).text);
  if (!read.ok) return read;
  const parts = partsOf(read.value, files);
  if (!parts.ok) return parts;
  const { core, extensions } = read.value;
  const rowsOf = (rowType: string) => parts.value.find(({ part }) => part.rowType === rowType)?.rows ?? [];
  const occurrences = rowsOf('Occurrence');
  const events = new Map(rowsOf('Event').map((row) => [row.core || row.told.eventID, row]));
  if (core.rowType !== 'Event' && core.rowType !== 'Occurrence')
    return failed({
      code: 'no-occurrences',
      message: `The archive is about rows of the type “${core.rowType}”; only events and occurrences are read in.`,
      field: 'file',
    });
  const exact = exactOf(events, occurrences);
  const left = occurrences.filter(({ told }) => !exact.taken.has(told.occurrenceID));
  const absent = left.filter(({ told }) => told.occurrenceStatus?.toLowerCase() === 'absent' || told.individualCount === '0');
  const present = left.filter((row) => !absent.includes(row));
  const rows = present.map(({ line, core: id, told }) => {
    const event = core.rowType === 'Event' ? events.get(id || told.eventID)?.told : undefined;
    return { line, id: told.occurrenceID || id, told: { ...event, ...nonEmpty(told) } };
  });
  measure(rows, rowsOf('MeasurementOrFact'), exact.taken);
  const met = new Set(occurrences.map(({ core: id, told }) => id || told.eventID));
  const bare = [...events].filter(([id, { told }]) => !met.has(id) && !exact.events.has(told.eventID)).length;
  return done({
    table: tableOf(rows),
    sites: exact.sites,
    visits: exact.visits,
    captures: exact.captures,
    notUnderstood: [
      ...(absent.length ? [`${absent.length} occurrences that say a kind was absent`] : []),
      ...(bare ? [`${bare} events without an occurrence`] : []),
      ...extensions
        .filter(({ rowType }) => !READ.has(rowType))
        .map(({ rowType, location }) => `${location}: rows of the type “${rowType}”`),
      ...exact.notUnderstood,
    ],
  });
}

/** Row types that are read; identifications and relationships of Plesion's own stand in its captures. */
const READ = new Set(['Event', 'Occurrence', 'MeasurementOrFact', 'Identification', 'ResourceRelationship']);

/** One table in a zip, without a descriptor. */
function readLoose(files: ArchiveFiles): Outcome<ReadArchive> {
  const tables = [...files].filter(([name]) => /\.(csv|tsv|txt)$/i.test(name));
  if (tables.length !== 1)
    return failed({
      code: 'no-meta',
      message: 'The archive has no meta.xml, and not one table alone: send one table as CSV, or a Darwin Core archive.',
      field: 'file',
    });
  const table = readTable(textOf(tables[0][1]).text);
  return table.ok ? done({ table: table.value, sites: [], visits: [], captures: [], notUnderstood: [] }) : table;
}

function partsOf({ core, extensions }: ArchiveMeta, files: ArchiveFiles): Outcome<{ part: ArchivePart; rows: PartRow[] }[]> {
  const parts: { part: ArchivePart; rows: PartRow[] }[] = [];
  for (const part of [core, ...extensions]) {
    const bytes = files.get(part.location);
    if (!bytes)
      return failed({
        code: 'file-missing',
        message: `${part.location} is named in meta.xml, but is not in the archive.`,
        field: 'file',
      });
    const width = Math.max(2, (part.id ?? 0) + 1, ...part.fields.map(({ i = -1 }) => i + 1));
    const table = readTable(textOf(bytes, part.encoding).text, {
      delimiter: part.delimiter,
      quote: part.quote,
      header: part.header,
      names: Array.from({ length: width }, (_, i) => `#${i}`),
    });
    // A file without rows says nothing, and nothing is wrong with it.
    if (!table.ok && table.problems[0].code !== 'no-rows') return table;
    const rows = table.ok ? table.value.rows : [];
    parts.push({
      part,
      rows: rows.map(({ line, cells }) => ({
        line,
        core: part.id === undefined ? '' : plainCell(cells[part.id]),
        told: Object.fromEntries(
          part.fields.map(({ term, i, value }) => [term, (i === undefined ? '' : plainCell(cells[i])) || (value ?? '')]),
        ),
      })),
    });
  }
  return done(parts);
}

const nonEmpty = (told: Told): Told => Object.fromEntries(Object.entries(told).filter(([, value]) => value !== ''));

/** What stands in `dynamicProperties` as Plesion wrote it. */
function exactOf(events: ReadonlyMap<string, PartRow>, occurrences: readonly PartRow[]) {
  const exact = {
    sites: new Map<string, SiteContent>(),
    visits: [] as [string, VisitContent][],
    captures: [] as [string, CaptureContent][],
    /** Occurrences and events that were taken so, by their ids in the archive. */
    taken: new Set<string>(),
    events: new Set<string>(),
    notUnderstood: [] as string[],
  };
  const visits = new Set<string>();
  for (const { told } of events.values()) {
    const wrote = wroteIn(told.dynamicProperties);
    const [visit, site] = [VisitContent.safeParse(wrote?.visit), SiteContent.safeParse(wrote?.site)];
    const [id, siteId] = [idIn(told.eventID), idIn(told.locationID)];
    if (!visit.success || !site.success || !id || siteId !== visit.data.siteId) continue;
    exact.sites.set(siteId, site.data);
    exact.visits.push([id, visit.data]);
    exact.events.add(told.eventID);
    visits.add(id);
  }
  let unread = 0;
  for (const { told } of occurrences) {
    const wrote = wroteIn(told.dynamicProperties);
    if (!wrote?.capture) continue;
    const capture = CaptureContent.safeParse(wrote.capture);
    const id = idIn(told.occurrenceID);
    if (!capture.success || !id || !visits.has(capture.data.visitId)) {
      unread++;
      continue;
    }
    exact.captures.push([id, capture.data]);
    exact.taken.add(told.occurrenceID);
  }
  if (unread)
    exact.notUnderstood.push(`${unread} captures whose record was changed in the archive: they are read by their terms alone`);
  return { ...exact, sites: [...exact.sites] };
}

/** Plesion's part of `dynamicProperties`; undefined where there is none. */
function wroteIn(properties: string | undefined): { visit?: unknown; site?: unknown; capture?: unknown } | undefined {
  if (!properties?.startsWith('{"plesion":')) return undefined;
  try {
    return (JSON.parse(properties) as { plesion: object }).plesion;
  } catch {
    return undefined;
  }
}

const idIn = (urn: string | undefined): string | undefined => /^urn:uuid:([0-9a-f-]{36})$/.exec(urn ?? '')?.[1];

type OccurrenceRow = { line: number; id: string; told: Told };

/** Each kind of measurement becomes a term of its own. */
function measure(rows: readonly OccurrenceRow[], measurements: readonly PartRow[], taken: ReadonlySet<string>): void {
  const byId = new Map(rows.map((row) => [row.id, row.told]));
  for (const { core, told } of measurements) {
    const id = told.occurrenceID || core;
    const row = taken.has(id) ? undefined : byId.get(id);
    if (!row || !told.measurementType || !told.measurementValue) continue;
    const unit = told.measurementUnit ? ` ${told.measurementUnit}` : '';
    row[`${told.measurementType}${unit}`] = told.measurementValue;
  }
}

/** Terms that say nothing of the animal. */
const FORMAL = new Set([
  'dynamicProperties',
  'eventID',
  'occurrenceID',
  'basisOfRecord',
  'geodeticDatum',
  'occurrenceStatus',
  'locationID',
]);

function tableOf(rows: readonly OccurrenceRow[]): Table {
  const columns = new Set<string>();
  for (const { told } of rows)
    for (const [term, value] of Object.entries(told)) if (value && !FORMAL.has(term)) columns.add(term);
  return {
    columns: [...columns],
    rows: rows.map(({ line, told }) => ({
      line,
      // Of a stretch of time, its beginning.
      cells: [...columns].map((term) => (term === 'eventDate' ? (told[term] ?? '').split('/')[0] : (told[term] ?? ''))),
    })),
  };
}
