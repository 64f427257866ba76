import { Judged, Outcome, Overturned } from '@plesion/core/verification/schema';
import { Mark } from '@plesion/core/observation/schema';
import { z } from 'zod';
import { PhotoHash } from './photos';

/** What a specimen, or the bearer of a mark, turned out to be. */
export const VerificationWrite = Outcome.extend({
  id: z.uuid(),
  /** Of a specimen; or of the bearer of a mark, with all its captures. */
  specimenId: z.uuid().optional(),
  mark: Mark.optional(),
  /** What shows it: an egg under the bird, a gel. */
  photo: PhotoHash.optional(),
}).refine(({ specimenId, mark }) => (specimenId === undefined) !== (mark === undefined), {
  message: 'say of which specimen, or of the bearer of which mark',
  path: ['specimenId'],
});
export type VerificationWrite = z.output<typeof VerificationWrite>;

export const Verification = VerificationWrite.safeExtend({
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

export const VerificationQuery = z
  .strictObject({ specimenId: z.uuid().optional(), mark: Mark.optional() })
  .refine(({ specimenId, mark }) => (specimenId === undefined) !== (mark === undefined), {
    message: 'give a specimen’s id or a mark',
    path: ['specimenId'],
  });
export type VerificationQuery = z.output<typeof VerificationQuery>;

export const OverturnedQuery = z.strictObject({ guideId: z.uuid() });
export const OverturnedList = z.object({ overturned: z.array(Overturned) });
