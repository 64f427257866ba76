import { Mark } from '@plesion/core/observation/schema';
import { Day } from '@plesion/core/observation/schema';
import { z } from 'zod';

const instant = z.iso.datetime({ offset: true });
const count = z.number().int().min(0);

/** What a ringing office has against a line of a file; line 1 names the columns. */
export const OfficeError = z.object({ line: z.number().int().min(1), code: z.string().max(80), message: z.string().max(400) });
export type OfficeError = z.output<typeof OfficeError>;

/** A ringing office's answer to a season's file. */
export const OfficeReceipt = z.object({
  receipt: z.string().min(1).max(80),
  rows: count,
  taken: count,
  errors: z.array(OfficeError).max(100_000),
});
export type OfficeReceipt = z.output<typeof OfficeReceipt>;

/** A ring that somebody came upon: who found it, who knew what it was, where and when. */
export const Recovery = z.object({
  id: z.uuid(),
  ring: Mark,
  foundOn: Day,
  place: z.string().max(200),
  position: z.object({ latitude: z.number().min(-90).max(90), longitude: z.number().min(-180).max(180) }).optional(),
  finder: z.string().max(120),
  identifier: z.string().max(120),
  what: z.string().max(200),
});
export type Recovery = z.output<typeof Recovery>;
export const OfficeRecoveries = z.object({ recoveries: z.array(Recovery).max(10_000) });

/** A season's file, and how it stands with the office. */
export const OfficeFile = z.object({
  id: z.uuid(),
  year: z.number().int(),
  rows: count,
  by: z.string(),
  at: instant,
  /** Waiting until the office answers; taken, with its receipt; refused as a whole. */
  state: z.enum(['waiting', 'taken', 'refused']),
  tries: count,
  /** What the last try came to, in words. */
  said: z.string().optional(),
  triedAt: instant.optional(),
  receipt: z.string().optional(),
  taken: count.optional(),
  /** The first of them, each with the capture that the line is of. */
  errors: z.array(OfficeError.extend({ captureId: z.uuid().optional(), ring: z.string().optional() })),
  errorCount: count,
});
export type OfficeFile = z.output<typeof OfficeFile>;

/** A recovery beside the bearer's own last capture here before it. */
export const OfficeRecovery = Recovery.extend({
  days: z.number().int().optional(),
  km: z.number().optional(),
  bearing: z.number().optional(),
});
export type OfficeRecovery = z.output<typeof OfficeRecovery>;

export const OfficeView = z.object({
  /** Is there an office that files go to? */
  known: z.boolean(),
  /** Years that rings were put on or met in, the newest first, with how many lines each has. */
  years: z.array(z.object({ year: z.number().int(), rows: count })),
  files: z.array(OfficeFile),
  recoveries: z.array(OfficeRecovery),
});
export type OfficeView = z.output<typeof OfficeView>;

export const OfficeFileRequest = z.strictObject({ year: z.number().int().min(1000).max(9999) });
