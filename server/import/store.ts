import type { ImportMade } from '@plesion/contract';
import type { CaptureContent, VisitContent } from '@plesion/core/fieldwork';
import { bound } from '../database/bound';
import type { Em } from '../database/orm';
import { CAPTURE, SITE, VISIT } from '../fieldwork/service';
import { logSets, type WrittenSet } from '../records/changes';
import type { Writer } from '../records/write';
import type { Kind } from './read';

/** Columns that a kind is found by, beside what every record has. */
const OWN: Record<
  Kind,
  { table: string; name: 'site' | 'visit' | 'capture'; columns: string[]; of: (content: never) => object }
> = {
  sites: { table: 'site', name: SITE.name as 'site', columns: [], of: () => ({}) },
  visits: {
    table: 'visit',
    name: VISIT.name as 'visit',
    columns: ['site_id', 'started_at', 'ended_at'],
    of: ({ siteId, startedAt, endedAt }: VisitContent) => ({ site_id: siteId, started_at: startedAt, ended_at: endedAt ?? null }),
  },
  captures: {
    table: 'capture',
    name: CAPTURE.name as 'capture',
    columns: ['visit_id', 'at', 'what', 'mark', 'due'],
    of: ({ visitId, at, what, mark, followUp }: CaptureContent) => ({
      visit_id: visitId,
      at,
      what,
      mark: mark ?? null,
      due: followUp && !followUp.done ? followUp.due : null,
    }),
  },
};
const HEAD = ['id', 'version', 'hidden', 'recorded_by', 'created_at', 'updated_at', 'content', 'import_id'];

type Made = Pick<ImportMade, 'id' | 'file' | 'by' | 'at'>;
type Store = (kind: Kind, lines: readonly string[]) => Promise<number>;

/**
 * Store what was read, as one import that can be taken back. What is in the station already stays as it is; what an
 * import brought that was taken back since comes again.
 */
export async function storeRows(
  tx: Em,
  writer: Writer,
  { id, file, by, at }: Made,
  each: (store: Store) => Promise<Record<Kind, number>>,
): Promise<void> {
  const { stationId, accountName } = writer;
  await bound(
    tx,
    'insert into field_import (station_id, id, file, account, at, sites, visits, captures) values (?, ?, ?, ?, ?, 0, 0, 0)',
    [stationId, id, file, by, at],
  );
  const written: WrittenSet[] = [];
  const stored = await each(async (kind, lines) => {
    const { table, name, columns, of } = OWN[kind];
    const rows = lines.map((line) => {
      const record = JSON.parse(line) as { id: string; content: never };
      const head = { version: 1, hidden: false, recorded_by: accountName, created_at: at, updated_at: at, import_id: id };
      return { ...head, ...of(record.content), ...record };
    });
    const all = [...HEAD, ...columns];
    const again = [...columns, 'content', 'import_id', 'updated_at'].map((column) => `${column} = excluded.${column}`);
    const put = await bound<{ id: string; version: number }>(
      tx,
      `insert into ${table} as here (station_id, ${all.join(', ')})
         select ?, ${all.join(', ')} from json_populate_recordset(null::${table}, ?::json)
         on conflict (station_id, id) do update set hidden = false, version = here.version + 1, ${again.join(', ')}
           where here.hidden and exists (
             select from field_import where field_import.station_id = here.station_id and field_import.id = here.import_id
               and field_import.taken_back_at is not null)
       returning id, version`,
      [stationId, JSON.stringify(rows)],
    );
    written.push({ kind: name, records: put });
    return put.length;
  });
  await bound(tx, 'update field_import set sites = ?, visits = ?, captures = ? where station_id = ? and id = ?', [
    stored.sites,
    stored.visits,
    stored.captures,
    stationId,
    id,
  ]);
  await logSets(tx, writer, written);
}
