import { Day } from '@plesion/core/observation/schema';
import { z } from 'zod';
import { RECORD_NAMES } from './changes';

/** What a line is of: a record that is written by versions, what something turned out to be, what others make of it, what a reviewer says of it, what is said in a conversation, a guide that is being written, or who belongs to the station. */
export const AUDIT_KINDS = [...RECORD_NAMES, 'verification', 'opinion', 'review', 'remark', 'draft', 'member'] as const;
export type AuditKind = (typeof AUDIT_KINDS)[number];

export const AUDIT_ACTS = [
  'made',
  'changed',
  'verified',
  'asked',
  'answered',
  'decided',
  'reviewed',
  'took back',
  'said',
  'resolved',
  'reopened',
  'invited',
  'joined',
  'left',
  'removed',
] as const;

/** Who did what, when, to which record. */
export const AuditLine = z.object({
  at: z.iso.datetime({ offset: true }),
  by: z.string(),
  /** From what, in words: as it stands on the list of where one is signed in. */
  device: z.string().optional(),
  act: z.enum(AUDIT_ACTS),
  kind: z.enum(AUDIT_KINDS),
  /** The record; of a verification, an opinion, a review and a remark its specimen; of a verification of an individual that; of a member their account, or the link they were to come by. */
  id: z.uuid(),
  /** Of a record that is written by versions: which this made, and what parts of it changed. */
  version: z.number().int().optional(),
  fields: z.array(z.string()),
});
export type AuditLine = z.output<typeof AuditLine>;

export const AuditFilter = z.strictObject({
  by: z.string().min(1).max(120).optional(),
  kind: z.enum(AUDIT_KINDS).optional(),
  record: z.uuid().optional(),
  /** Days by UTC, both with their ends. */
  from: Day.optional(),
  to: Day.optional(),
});
export type AuditFilter = z.output<typeof AuditFilter>;

export const AuditQuery = AuditFilter.extend({
  /** `next` of the answer before. */
  after: z.string().max(120).optional(),
});
export type AuditQuery = z.output<typeof AuditQuery>;

export const AuditList = z.object({
  /** The newest first. */
  lines: z.array(AuditLine),
  people: z.array(z.string()),
  /** There are more: ask with it. */
  next: z.string().optional(),
});
export type AuditList = z.output<typeof AuditList>;
