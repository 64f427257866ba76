import { z } from 'zod';

/** Every kind of record that is written by versions. */
export const RECORD_NAMES = [
  'specimen',
  'lot',
  'key',
  'guide',
  'individual',
  'measurement',
  'site',
  'visit',
  'capture',
  'string',
  'count',
  'sheet',
  'pairing',
  'pen',
] as const;
export type RecordName = (typeof RECORD_NAMES)[number];

/** One write: what was written, by whom, when. */
export const Change = z.object({
  /** Number within the station, in the order of commits. */
  seq: z.number().int(),
  kind: z.enum(RECORD_NAMES),
  id: z.uuid(),
  version: z.number().int(),
  by: z.string(),
  /** Parts of the record that the write changed. */
  fields: z.array(z.string()),
  at: z.iso.datetime({ offset: true }),
});
export type Change = z.output<typeof Change>;

export const ChangeQuery = z.strictObject({
  /** Cursor of the answer before; from the beginning where absent. */
  since: z.coerce.number().int().min(0).optional(),
  limit: z.coerce.number().int().min(1).max(2000).optional(),
});
export type ChangeQuery = z.output<typeof ChangeQuery>;

export const ChangeList = z.object({
  changes: z.array(Change),
  /** Ask with this next. */
  cursor: z.number().int(),
  more: z.boolean(),
});
export type ChangeList = z.output<typeof ChangeList>;
