import { randomUUID } from 'node:crypto';
import type { AuditLine } from '@plesion/contract/audit';
import { DeedEntity } from '../database/deedEntity';
import type { Em } from '../database/orm';
import type { Caller } from '../http/route';

type Deed = Pick<AuditLine, 'act' | 'kind' | 'id'> & {
  fields?: string[];
  /** As it stands with the record, where it does. */
  at?: Date;
};

/** Keep that somebody did something, in the transaction in which it is done. */
export async function keepDeed(
  tx: Em,
  { stationId, accountName: by, device = '' }: Pick<Caller, 'stationId' | 'accountName' | 'device'>,
  { act, kind, id: recordId, fields = [], at = new Date() }: Deed,
): Promise<void> {
  await tx.insert(DeedEntity, { stationId, id: randomUUID(), at, by, device, act, kind, recordId, fields });
}

/** What stands in rows of a station as done, and is nowhere kept as a deed: of the demo, or of an older archive. */
export async function keepDeedsOfRows(tx: Em, stationId: string): Promise<void> {
  await tx.getConnection().execute(
    `insert into deed (station_id, id, at, by, act, kind, record_id, fields)
     select station_id, gen_random_uuid(), at, by, act, kind, record_id, fields from (${DONE}) as done
     where station_id = ? and at is not null and by is not null and not exists (
       select from deed d where d.station_id = done.station_id and d.record_id = done.record_id
         and d.kind = done.kind and d.act = done.act and d.at = done.at)`,
    [stationId],
    'run',
    tx.getTransactionContext(),
  );
}

/** Of a row of `verification`: the record it is of, and what more is told of it. */
export const ITS_RECORD = 'coalesce(specimen_id, individual_id, id)';
export const ITS_FIELDS = `case when mark is not null then jsonb_build_array(kind, mark)
  when individual_id is not null then jsonb_build_array(kind, '', 'individual') else jsonb_build_array(kind) end`;

const DONE = `
  select station_id, withdrawn_at as at, withdrawn_by as by, 'took back' as act, 'verification' as kind,
    ${ITS_RECORD} as record_id, ${ITS_FIELDS} as fields
  from verification
  union all
  select station_id, withdrawn_at, asked_by, 'took back', 'opinion', specimen_id, '[]' from opinion_ask
  union all
  select station_id, decided_at, decided_by, 'decided', 'opinion', specimen_id, '[]' from opinion_ask
  union all
  select station_id, withdrawn_at, made_by, 'took back', 'review', specimen_id, '[]' from review
  union all
  select station_id, withdrawn_at, made_by, 'took back', 'remark', specimen_id, '[]' from remark
  union all
  select station_id, resolved_at, resolved_by, 'resolved', 'remark', specimen_id, '[]' from remark`;
