import { done, failed, type Outcome } from '../problem';
import type { ArchiveFiles } from './archive';
import { readArchiveMeta } from './archiveMeta';
import { plainName } from './guideNames';
import { plainCell, readTable, type Table } from './table';
import { textOf } from './text';

/** A name of a checklist, and the name that it stands for: its own, where it is accepted. */
export interface ChecklistName {
  name: string;
  accepted: string;
  rank?: string;
  vernacular?: string;
}

/** Names of a checklist, each once, and what of it was not taken. */
export interface Checklist {
  names: ChecklistName[];
  notUnderstood: string[];
}

type Told = Record<string, string>;

const TERMS: Record<string, readonly string[]> = {
  name: ['scientificName', 'name', 'canonicalName'],
  id: ['taxonID', 'id'],
  acceptedId: ['acceptedNameUsageID', 'acceptedID'],
  accepted: ['acceptedNameUsage', 'acceptedName'],
  rank: ['taxonRank', 'rank'],
  vernacular: ['vernacularName', 'vernacular'],
};

/** How often a synonym may stand for a synonym. */
const DEEPEST = 20;

/**
 * A checklist of taxa by the terms of Darwin Core: a table with a header, or an archive whose core are taxa. Synonyms are
 * followed to the name they stand for, however many stand between; one that leads nowhere, or in a circle, stands for
 * itself and is told. Errors: those of tables and archives, `no-names`.
 */
export function readChecklist(bytes: Uint8Array | ArchiveFiles): Outcome<Checklist> {
  const rows = bytes instanceof Uint8Array ? tableRows(readTable(textOf(bytes).text)) : archiveRows(bytes);
  return rows.ok ? checklistOf(rows.value) : rows;
}

function tableRows(table: Outcome<Table>): Outcome<Told[]> {
  if (!table.ok) return table;
  const { columns, rows } = table.value;
  return done(
    rows.map(({ cells }) => Object.fromEntries(columns.map((column, i) => [column.toLowerCase(), plainCell(cells[i])]))),
  );
}

function archiveRows(files: ArchiveFiles): Outcome<Told[]> {
  const meta = files.get('meta.xml');
  if (!meta)
    return failed({
      code: 'no-meta',
      message: 'The archive has no meta.xml. Send the table of taxa as CSV instead.',
      field: 'file',
    });
  const read = readArchiveMeta(textOf(meta).text);
  if (!read.ok) return read;
  const { core } = read.value;
  const bytes = files.get(core.location);
  if (core.rowType !== 'Taxon' || !bytes)
    return failed({
      code: 'no-taxa',
      message: `The archive is about rows of the type “${core.rowType}”; a checklist is of taxa.`,
      field: 'file',
    });
  const width = Math.max(2, (core.id ?? 0) + 1, ...core.fields.map(({ i = -1 }) => i + 1));
  const names = Array.from({ length: width }, (_, i) => `#${i}`);
  const table = readTable(textOf(bytes, core.encoding).text, {
    delimiter: core.delimiter,
    quote: core.quote,
    header: core.header,
    names,
  });
  if (!table.ok) return table;
  return done(
    table.value.rows.map(({ cells }) => ({
      ...(core.id === undefined ? {} : { taxonid: plainCell(cells[core.id]) }),
      ...Object.fromEntries(
        core.fields.map(({ term, i, value }) => [
          term.toLowerCase(),
          (i === undefined ? '' : plainCell(cells[i])) || (value ?? ''),
        ]),
      ),
    })),
  );
}

function checklistOf(rows: readonly Told[]): Outcome<Checklist> {
  const say = (row: Told, what: string) => TERMS[what].map((term) => row[term.toLowerCase()]).find(Boolean) ?? '';
  const taxa = rows.map((row) => Object.fromEntries(Object.keys(TERMS).map((what) => [what, say(row, what)])));
  const byId = new Map(taxa.filter(({ id }) => id).map((taxon) => [taxon.id, taxon]));
  const byName = new Map(taxa.map((taxon) => [plainName(taxon.name), taxon]));
  const names = new Map<string, ChecklistName>();
  let [lost, bare] = [0, 0];
  for (const taxon of taxa) {
    if (!taxon.name) {
      bare++;
      continue;
    }
    const accepted = acceptedOf(taxon);
    if (!accepted) lost++;
    const key = plainName(taxon.name);
    if (names.has(key)) continue;
    names.set(key, {
      name: taxon.name.slice(0, 200),
      accepted: (accepted ?? taxon.name).slice(0, 200),
      ...(taxon.rank ? { rank: taxon.rank.slice(0, 60) } : {}),
      ...(taxon.vernacular ? { vernacular: taxon.vernacular.slice(0, 200) } : {}),
    });
  }
  if (!names.size)
    return failed({ code: 'no-names', message: 'There is no column scientificName, or nothing stands in it.', field: 'file' });
  return done({
    names: [...names.values()],
    notUnderstood: [
      ...(bare ? [`${bare} rows without a name`] : []),
      ...(lost ? [`${lost} synonyms of a name that is not in the list, or of one another: they stand for themselves`] : []),
    ],
  });

  /** The name at the end of the chain of synonyms. */
  function acceptedOf(first: Told): string | undefined {
    let taxon = first;
    for (let i = 0; i < DEEPEST; i++) {
      const next = taxon.acceptedId && taxon.acceptedId !== taxon.id ? byId.get(taxon.acceptedId) : undefined;
      if (next) taxon = next;
      else if (taxon.acceptedId && taxon.acceptedId !== taxon.id) return taxon.accepted || undefined;
      else if (taxon.accepted && plainName(taxon.accepted) !== plainName(taxon.name)) {
        const named = byName.get(plainName(taxon.accepted));
        // A name that the list has no row of is what it stands for.
        if (!named) return taxon.accepted;
        taxon = named;
      } else return taxon.name;
    }
    return undefined;
  }
}
