import { Seen } from '@plesion/core/guide/schema';
import { Day } from '@plesion/core/observation/schema';
import { z } from 'zod';

const parents = z.array(z.uuid()).min(2, 'name two at the least, or give the one').max(12);

/** What a keeper's book says of an individual. */
export const Kept = z.strictObject({
  sex: z.strictObject({ called: z.enum(['female', 'male']), certainty: z.number().gt(0.5).max(1) }).optional(),
  hatched: Day.optional(),
  father: z.uuid().optional(),
  mother: z.uuid().optional(),
  /** Where it may be one of several. */
  fathers: parents.optional(),
  mothers: parents.optional(),
  strain: z.string().trim().max(80).optional(),
  pen: z.string().trim().max(80).optional(),
  status: z.enum(['here', 'gone', 'dead']).default('here'),
  /** What it shows, by facet or character of the guide. */
  phenotypes: z.record(z.string().max(80), Seen).default({}),
});
export type Kept = z.output<typeof Kept>;
