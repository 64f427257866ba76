import { z } from 'zod';
import { HAZARD_GRADES, HAZARD_KINDS } from '../guide/vocabulary';
import { key } from '../observation/schema';
import { GivenName } from '../specimen/schema';
import { REVIEW_WORDS } from './vocabulary';

/** What a reviewer says of a name: `agree`; another `name`; another `view` is needed; or `pass` it on to others. */
export const ReviewWord = z.enum(REVIEW_WORDS);

/** A name that a record may be given, and how probable it is by what was read. */
export const ReviewOption = z.object({
  name: GivenName,
  p: z.number(),
  /** Its most probable form: what its plate shows. */
  form: z.string(),
});
export type ReviewOption = z.infer<typeof ReviewOption>;

/** A view that would tell the name from what comes nearest. */
export const WantedView = z.object({ view: key, character: key, text: z.string() });
export type WantedView = z.infer<typeof WantedView>;

/** What a reviewer has before them: worked out of a record, and kept until the record is written again. */
export const Look = z.object({
  /** The name as it was given; then those that it may be instead. */
  options: z.array(ReviewOption).min(1),
  /** log2 of the odds of the name to what comes nearest; absent where nothing does, or the name leaves open which it is. */
  margin: z.number().optional(),
  /** The mark that speaks most for the first of the two between which it is to be told. */
  lead: z.object({ character: z.string(), bits: z.number() }).optional(),
  /** What it would cost to miss what else it may be, in ordinary wrong names. */
  missed: z.number(),
  /** The dangerous one it would be worst to miss. */
  danger: z
    .object({ taxon: z.string(), name: z.string(), p: z.number(), kind: z.enum(HAZARD_KINDS), grade: z.enum(HAZARD_GRADES) })
    .optional(),
  /** Views not shown yet, the most telling first. */
  views: z.array(WantedView),
});
export type Look = z.infer<typeof Look>;

/** Why a look at a record is worth something. */
export const ReviewReason = z.object({ kind: z.enum(['danger', 'rare', 'thin', 'record', 'dispute']), text: z.string() });
export type ReviewReason = z.infer<typeof ReviewReason>;
