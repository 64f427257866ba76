import { z } from 'zod';
import { id, monthDay, text } from './terms';
import { SEX_METHODS, SEXES } from './vocabulary';

const bounds = { under: z.number().optional(), over: z.number().optional() };

/** What a rule looks at in a catch. What was not recorded fulfils no condition. */
export const CatchCondition = z.discriminatedUnion('kind', [
  /** Every state that was read is among these. */
  z.strictObject({ kind: z.literal('states'), character: id, states: z.array(id).min(1).max(64) }),
  /** A measured value under or over a limit, in the character's unit. */
  z.strictObject({ kind: z.literal('value'), character: id, ...bounds }),
  /** g. */
  z.strictObject({ kind: z.literal('mass'), ...bounds }),
  /** Reference days passed since it hatched, as its code says: 0 for the year's young, from 1 on for older ones. */
  z.strictObject({ kind: z.literal('age'), from: z.number().int().min(0).optional(), to: z.number().int().min(0).optional() }),
  z.strictObject({ kind: z.literal('sex'), sexes: z.array(z.enum(SEXES)).min(1) }),
  /** By what the sex was told. */
  z.strictObject({ kind: z.literal('sexBy'), methods: z.array(z.enum(SEX_METHODS)).min(1) }),
]);
export type CatchCondition = z.infer<typeof CatchCondition>;

/** A rule that a catch breaks where all of `when` hold and none of `unless`. */
export const CatchCheck = z.strictObject({
  id,
  /** The reason, as it is said to whoever holds the bird. */
  says: text,
  /** These taxa and what they hold; all where absent. */
  taxa: z.array(id).min(1).optional(),
  when: z.array(CatchCondition).min(1).max(12),
  unless: z.array(CatchCondition).min(1).max(12).optional(),
});
export type CatchCheck = z.infer<typeof CatchCheck>;

/** What a guide says for work in the field. */
export const FieldSection = z.strictObject({
  checks: z.array(CatchCheck).max(200).optional(),
  /** Sizes of ring that are allowed. */
  rings: z
    .array(z.strictObject({ taxon: id, sizes: z.array(z.string().min(1).max(12)).min(1).max(10) }))
    .max(2000)
    .optional(),
  /** Days of the year on which its kinds hatch. */
  hatching: z.strictObject({ from: monthDay, to: monthDay }).optional(),
});
export type FieldSection = z.infer<typeof FieldSection>;
