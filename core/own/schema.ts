import { z } from 'zod';
import { Facets } from '../guide/schema';
import { key } from '../observation/schema';

/** Are the station's own records followed before the books (or pooled with them, where those are), or only kept beside? */
export const FOLLOWED = ['followed', 'beside'] as const;
export const Followed = z.enum(FOLLOWED);
export type Followed = z.infer<typeof Followed>;

const spread = z.object({ mean: z.number(), sd: z.number() });

/** One character of one taxon (of its sex or age, where the guide tells them apart by it), by the books and by our own records. */
export const OwnCell = z.object({
  character: key,
  taxon: key,
  /** Those that the guide tells this character of the taxon apart by. */
  facets: Facets,
  /** Verified specimens on which it was read, each less the chance that its verification is wrong. */
  n: z.number(),
  /** How often each state is met, 0..1; counts as their numbers. */
  states: z
    .array(
      z.object({
        state: z.string(),
        /** By the books. */
        books: z.number(),
        /** How often it was read, of n. */
        read: z.number(),
        /** Both together. */
        both: z.number(),
      }),
    )
    .optional(),
  /** Values, in the character's unit. */
  values: z.object({ books: spread, read: spread, both: spread }).optional(),
  /** How probable it is by the books that ours lie so far from them, or farther. */
  surprise: z.number(),
  /** Do ours pull away from the books? */
  pulls: z.boolean(),
  /** "down to the bill: books 98 in 100; ours 31 of 36" */
  text: z.string(),
});
export type OwnCell = z.infer<typeof OwnCell>;
