import { z } from 'zod';
import { RECORD_NAMES } from './changes';

/** Which record, as it was at which version. */
export const EarlierPath = z.strictObject({
  kind: z.enum(RECORD_NAMES),
  id: z.uuid('nothing has such an id: look whether the address is whole'),
  version: z.coerce.number().int().min(1).max(1_000_000_000),
});
export type EarlierPath = z.output<typeof EarlierPath>;

/** What a record held at a version, beside what it holds now. */
export const EarlierState = z.object({
  then: z.record(z.string(), z.unknown()),
  now: z.record(z.string(), z.unknown()),
  /** The version that stands. */
  version: z.number().int(),
});
export type EarlierState = z.output<typeof EarlierState>;

/** Put it back as it was: written on top of the version that was seen. */
export const PutBack = z.strictObject({ version: z.number().int().min(1) });
export const PutBackAnswer = z.object({ version: z.number().int() });
