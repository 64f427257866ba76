import type { RecordName } from '@plesion/contract';
import type { Em } from '../database/orm';

/** Keep what a record held before it is written over, as it went over the wire. */
export async function keepEarlier(
  tx: Em,
  stationId: string,
  kind: RecordName,
  { id, version }: { id: string; version: number },
  content: object,
): Promise<void> {
  await tx
    .getConnection()
    .execute(
      'insert into earlier_state (station_id, kind, record_id, version, content) values (?, ?, ?, ?, ?::jsonb)',
      [stationId, kind, id, version, JSON.stringify(content)],
      'run',
      tx.getTransactionContext(),
    );
}
