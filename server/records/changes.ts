import type { Change, ChangeList, RecordName } from '@plesion/contract';
import type { Em } from '../database/orm';
import { ChangeEntity } from '../database/entities';

const PAGE = 500;

/**
 * A line in the station's feed: what was written, by whom, when. It waits under a
 * number below 0 and gets its own while the transaction commits (`number_change` in
 * the migrations), under the lock of the station's row, so that the numbers are in
 * the order of commits and a reader never misses one.
 */
export async function logChange(
  tx: Em,
  { stationId, accountName }: { stationId: string; accountName: string },
  kind: RecordName,
  { id, version }: { id: string; version: number },
  fields: readonly string[],
): Promise<void> {
  await tx.getConnection().execute(
    `insert into change (station_id, seq, kind, record_id, version, account, fields, at)
     values (?, -nextval('change_waiting'), ?, ?, ?, ?, ?::jsonb, now())`,
    [stationId, kind, id, version, accountName, JSON.stringify(fields)],
    'run',
    tx.getTransactionContext(),
  );
}

/** The same for many records that are new, as one set. */
export async function logCreations(
  tx: Em,
  { stationId, accountName }: { stationId: string; accountName: string },
  kind: RecordName,
  ids: readonly string[],
): Promise<void> {
  await tx.getConnection().execute(
    `insert into change (station_id, seq, kind, record_id, version, account, fields, at)
     select ?, -nextval('change_waiting'), ?, id::uuid, 1, ?, '[]'::jsonb, now()
     from jsonb_array_elements_text(?::jsonb) as id`,
    [stationId, kind, accountName, JSON.stringify(ids)],
    'run',
    tx.getTransactionContext(),
  );
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
