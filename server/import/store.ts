import { UnderscoreNamingStrategy } from '@mikro-orm/core';
import type { ImportMade } from '@plesion/contract';
import { bound } from '../database/bound';
import type { Em } from '../database/orm';
import { CAPTURE, SITE, VISIT } from '../fieldwork/service';
import { logSets, type WrittenSet } from '../records/changes';
import type { Writer } from '../records/write';
import type { Kind } from './read';

/** How each kind is kept when it is written one by one: it is found by the same columns. */
const KEPT = { sites: SITE, visits: VISIT, captures: CAPTURE };

const columns = new UnderscoreNamingStrategy();

/** The columns that a record is found by, by their names in the database. */
const foundBy = (kind: Kind, content: object): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(KEPT[kind].columns(content as never)).map(([property, value]) => [
      columns.propertyToColumnName(property),
      value,
    ]),
  );

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
    const { name } = KEPT[kind];
    const rows = lines.map((line) => {
      const record = JSON.parse(line) as { id: string; content: object };
      const head = { version: 1, hidden: false, recorded_by: accountName, created_at: at, updated_at: at, import_id: id };
      return { ...head, ...foundBy(kind, record.content), ...record };
    });
    const own = Object.keys(foundBy(kind, rows[0].content));
    const all = [...HEAD, ...own];
    const again = [...own, 'content', 'import_id', 'updated_at'].map((column) => `${column} = excluded.${column}`);
    const put = await bound<{ id: string; version: number }>(
      tx,
      `insert into ${name} as here (station_id, ${all.join(', ')})
         select ?, ${all.join(', ')} from json_populate_recordset(null::${name}, ?::json)
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
