import { Judged, Outcome, Overturned } from '@plesion/core/verification/schema';
import { z } from 'zod';

/** What a specimen turned out to be. */
export const VerificationWrite = Outcome.extend({ id: z.uuid(), specimenId: z.uuid() });
export type VerificationWrite = z.output<typeof VerificationWrite>;

export const Verification = VerificationWrite.extend({
  by: z.string(),
  at: z.iso.datetime({ offset: true }),
  /** Who took it back; it stays, and counts no more. */
  withdrawnBy: z.string().optional(),
});
export type Verification = z.output<typeof Verification>;
export const VerificationList = z.object({
  verifications: z.array(Verification),
  /** The newest name before it was known, held against the surest word: what it rested on, and what misled. */
  judged: Judged.optional(),
});
export type VerificationList = z.output<typeof VerificationList>;

export const VerificationQuery = z.strictObject({ specimenId: z.uuid() });

export const OverturnedQuery = z.strictObject({ guideId: z.uuid() });
export const OverturnedList = z.object({ overturned: z.array(Overturned) });
