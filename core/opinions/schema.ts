import { z } from 'zod';
import { Readings } from '../observation/schema';
import { CERTAINTIES } from '../observation/vocabulary';
import { GivenName } from '../specimen/schema';

/** What somebody makes of a record without knowing what it was called. */
export const Opinion = z
  .strictObject({
    readings: Readings,
    /** Absent: it cannot be told from this. */
    name: GivenName.optional(),
    certainty: z.enum(CERTAINTIES).default('likely'),
    note: z.string().trim().max(1000).optional(),
  })
  .refine(({ name, readings, note }) => name || readings.length > 0 || note, {
    error: 'say what it is, what can be seen of it, or why it cannot be told',
    path: ['note'],
  });
export type Opinion = z.infer<typeof Opinion>;

/** Opinions taken together: tempered as far as they err together. */
export const Pooled = z.object({
  opinions: z.number().int(),
  /** γ: how far opinions that share a photograph err together, and by how many pairs that is known. */
  correlation: z.number(),
  pairs: z.number().int(),
  /** So many independent ones they count as (design effect: Kish 1965). */
  count: z.number(),
  /** What may be said of them together, in words, and the likeliest taxa. */
  text: z.string(),
  taxa: z.array(z.object({ taxon: z.string(), name: z.string(), p: z.number() })),
});
export type Pooled = z.infer<typeof Pooled>;
