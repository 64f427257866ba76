import { defineEntity, p } from '@mikro-orm/core';
import { AUDIT_ACTS, AUDIT_KINDS } from '@plesion/contract/audit';

/** What was done to a record, or with who belongs to the station, beyond what is written: rows are only ever added. */
export const DeedEntity = defineEntity({
  name: 'Deed',
  tableName: 'deed',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    at: p.datetime(),
    by: p.string(),
    /** From what they did it, in words. */
    device: p.string().default(''),
    act: p.enum([...AUDIT_ACTS]),
    kind: p.enum([...AUDIT_KINDS]),
    recordId: p.uuid(),
    fields: p.json<string[]>(),
  },
});
