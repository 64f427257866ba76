import { Judged, Outcome, Overturned } from '@plesion/core/verification/schema';
import { Mark } from '@plesion/core/observation/schema';
import { z } from 'zod';
import { PhotoHash } from './photos';

/** Bytes of a file that shows how something turned out. */
export const LARGEST_ATTACHMENT = 10 * 1024 * 1024;

/** SHA-256 of such a file, in hex. */
export const AttachmentHash = z.string().regex(/^[0-9a-f]{64}$/, 'this is not the hash of a file');

/** A file that shows how something turned out, a laboratory's letter or a table, by the name it was given with. */
export const AttachmentFile = z.strictObject({
  hash: AttachmentHash,
  name: z.string().trim().min(1, 'give the file a name').max(120, 'give the file a name of at most 120 letters'),
});
export type AttachmentFile = z.output<typeof AttachmentFile>;

export const Attachment = z.object({ hash: AttachmentHash, bytes: z.number().int() });
export type Attachment = z.output<typeof Attachment>;
export const AttachmentQuery = AttachmentFile.pick({ name: true }).partial();

/** Of a specimen; of the bearer of a mark, with all its captures; or of an individual, with all its specimens: of one of them. */
const of = { specimenId: z.uuid().optional(), mark: Mark.optional(), individualId: z.uuid().optional() };
type Of = { [K in keyof typeof of]?: string };
const ofOne = ({ specimenId, mark, individualId }: Of) =>
  [specimenId, mark, individualId].filter((one) => one !== undefined).length === 1;

/** What a specimen, the bearer of a mark, or an individual turned out to be. */
export const VerificationWrite = Outcome.extend({
  id: z.uuid(),
  ...of,
  /** What shows it: an egg under the bird, a gel. */
  photo: PhotoHash.optional(),
  /** What else shows it, that is no picture. */
  file: AttachmentFile.optional(),
}).refine(ofOne, {
  message: 'say of which specimen, of the bearer of which mark, or of which individual',
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

export const VerificationQuery = z.strictObject(of).refine(ofOne, {
  message: 'give a specimen’s id, a mark, or an individual’s id',
  path: ['specimenId'],
});
export type VerificationQuery = z.output<typeof VerificationQuery>;

export const OverturnedQuery = z.strictObject({ guideId: z.uuid() });
export const OverturnedList = z.object({ overturned: z.array(Overturned) });
