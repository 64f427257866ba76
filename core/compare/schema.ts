import { z } from 'zod';
import { SEPARATIONS } from '../evidence/vocabulary';
import { Facets } from '../guide/schema';

const share = z.number().min(0).max(1);

/** What a form is scored for one character: frequencies, or a distribution in the character's unit with its 95 % range. */
export const Scored = z.discriminatedUnion('kind', [
  z.object({
    kind: z.literal('states'),
    states: z.array(z.object({ state: z.string(), label: z.string(), p: share })),
    /** It has one of the states that are scored; which, is not known. */
    uncertain: z.boolean().optional(),
  }),
  z.object({
    kind: z.literal('values'),
    mean: z.number(),
    sd: z.number(),
    log: z.boolean(),
    low: z.number(),
    high: z.number(),
    inferred: z.boolean().optional(),
  }),
]);
export type Scored = z.infer<typeof Scored>;

export const ComparedCharacter = z.object({
  character: z.string(),
  label: z.string(),
  /** Mean overlap over every two of the forms that are both scored, 0 apart … 1 alike. */
  overlap: share,
  separation: z.enum(SEPARATIONS),
  /** Every two forms; null where one of them is not scored, so that nothing is known of the two. */
  pairs: z.array(z.object({ a: z.string(), b: z.string(), overlap: share.nullable() })),
  /** One entry a form, in the order asked; absent where it is not scored. */
  forms: z.array(Scored.nullable()),
  /** Trusted by many, and alike in every two that are scored. */
  trap: z.boolean(),
  /** "adult only", "in hand only". */
  only: z.array(z.string()),
  /** Why it cannot be read in the situation at hand. */
  setAside: z.string().optional(),
});
export type ComparedCharacter = z.infer<typeof ComparedCharacter>;

/** Two to four forms side by side. */
export const Comparison = z.object({
  forms: z.array(z.object({ form: z.string(), taxon: z.string(), facets: Facets })),
  /** Those that separate best and are read most reliably first. */
  characters: z.array(ComparedCharacter),
  /** The same as advice in plain words. */
  paragraph: z.string(),
  /** The paragraph as it is typeset. */
  typeset: z.array(z.object({ text: z.string(), italic: z.boolean() })),
});
export type Comparison = z.infer<typeof Comparison>;
