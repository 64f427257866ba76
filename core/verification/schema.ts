import { z } from 'zod';
import { Facets } from '../guide/schema';
import { Day, key } from '../observation/schema';
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
