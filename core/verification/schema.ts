import { z } from 'zod';
import { Facets } from '../guide/schema';
import { Day, key, Reading } from '../observation/schema';
import { VERIFICATION_KINDS } from './vocabulary';

/** What something turned out to be, and by what it is known. */
export const Outcome = z.strictObject({
  kind: z.enum(VERIFICATION_KINDS),
  taxon: key,
  facets: Facets.default({}),
  /** The chance that this is itself wrong. */
  wrong: z.number().min(0, 'a chance is 0 or more').max(0.5, 'what is wrong as often as right verifies nothing'),
  on: Day,
  note: z.string().trim().max(1000).optional(),
  /** Does it rest on the same call, such as the same photo looked at again? Then it never counts. */
  sameCall: z.boolean().default(false),
});
export type Outcome = z.infer<typeof Outcome>;

/** What one reading was worth for what something turned out to be. */
export const MarkWorth = z.object({
  reading: Reading,
  /** Below 0 it pulled away from the truth. */
  bits: z.number(),
});
export type MarkWorth = z.infer<typeof MarkWorth>;

/** A name as it was given, as far as it can be right or wrong. */
export const Called = z.object({ taxon: z.string(), other: z.string().optional(), facets: Facets });
export type Called = z.infer<typeof Called>;

/** A call against what it turned out to be, and what it had rested on. */
export const Judged = z.object({
  /** The determination that was judged. */
  determination: z.string(),
  called: Called,
  by: z.string(),
  /** ISO instant. */
  at: z.string(),
  /** P of the name when it was given. */
  p: z.number(),
  right: z.boolean(),
  /** log2 of the odds of what it was called (of what came nearest, where it was right) to what it was, as it was weighed then. */
  margin: z.number(),
  /** From what misled most to what told most. */
  marks: z.array(MarkWorth),
  /** What misled, or that nothing did, in a sentence; of a call that was overturned. */
  misled: z.string().optional(),
  /** The mark that told in the end, or would have. */
  told: z.object({ character: z.string(), read: z.boolean(), text: z.string() }).optional(),
});
export type Judged = z.infer<typeof Judged>;

/** A call of a guide that was overturned: kept at hand to warn when its pattern returns. */
export const Overturned = Judged.pick({ called: true, margin: true, misled: true, told: true }).extend({
  specimenId: z.string(),
  kind: z.enum(VERIFICATION_KINDS),
  on: z.string(),
  truth: Called,
  /** The reading that misled most. */
  lead: Reading,
});
export type Overturned = z.infer<typeof Overturned>;

export * from './vocabulary';
