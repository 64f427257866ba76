import type { Change, ChangeList, RecordName } from '@plesion/contract';
import { bound } from '../database/bound';
import type { Em } from '../database/orm';
import { ChangeEntity } from '../database/entities';

const PAGE = 500;

/** Who did it, and from what. */
interface By {
  stationId: string;
  accountName: string;
  device?: string;
}

/**
 * A line in the station's feed: what was written, by whom, when. It waits under a
 * number below 0 and gets its own while the transaction commits (`number_change` in
 * the migrations), under the lock of the station's row, so that the numbers are in
 * the order of commits and a reader never misses one.
 */
export async function logChange(
  tx: Em,
  { stationId, accountName, device = '' }: By,
  kind: RecordName,
  { id, version }: { id: string; version: number },
  fields: readonly string[],
): Promise<void> {
  await tx.getConnection().execute(
    `insert into change (station_id, seq, kind, record_id, version, account, device, fields, at)
     values (?, -nextval('change_waiting'), ?, ?, ?, ?, ?, ?::jsonb, now())`,
    [stationId, kind, id, version, accountName, device, JSON.stringify(fields)],
    'run',
    tx.getTransactionContext(),
  );
}

/** A set of records that one transaction wrote. */
export interface WrittenSet {
  kind: RecordName;
  records: readonly { id: string; version: number }[];
  fields?: readonly string[];
}

/**
 * The same for sets of records, numbered at once: a number drawn for each by itself would be a version of the station's
 * row for each. It holds that row, so it is the last thing that a transaction does.
 */
export async function logSets(tx: Em, { stationId, accountName, device = '' }: By, sets: readonly WrittenSet[]): Promise<void> {
  for (const { kind, records, fields = [] } of sets) {
    const specimens = kind === 'specimen' ? records.filter(({ version }) => version === 1).length : 0;
    await bound(
      tx,
      `with numbers as (
         update station set changes = changes + ?, specimens = specimens + ? where id = ? returning changes - ? as before
       )
       insert into change (station_id, seq, kind, record_id, version, account, device, fields, at)
       select ?, numbers.before + row_number() over (), ?, written.id, written.version, ?, ?, ?::jsonb, now()
       from numbers, jsonb_to_recordset(?::jsonb) as written (id uuid, version int)`,
      [
        records.length,
        specimens,
        stationId,
        records.length,
        stationId,
        kind,
        accountName,
        device,
        JSON.stringify(fields),
        JSON.stringify(records.map(({ id, version }) => ({ id, version }))),
      ],
    );
  }
}

/** What was written since a cursor, in the order of commits. */
export async function changesSince(em: Em, stationId: string, since: number, limit = PAGE): Promise<ChangeList> {
  const rows = await em.find(ChangeEntity, { stationId, seq: { $gt: since } }, { orderBy: { seq: 'asc' }, limit: limit + 1 });
  const changes = rows.slice(0, limit).map(({ seq, kind, recordId, version, account, fields, at }): Change => ({
    seq,
    kind: kind as RecordName,
    id: recordId,
    version,
    by: account,
    fields,
    at: at.toISOString(),
  }));
  return { changes, cursor: changes.at(-1)?.seq ?? since, more: rows.length > limit };
}
