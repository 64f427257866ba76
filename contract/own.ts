import { Followed, FOLLOWED, OwnCell } from '@plesion/core/own/schema';
import { z } from 'zod';

/** Specimens that the books count as. */
const weight = z.coerce.number().min(1, 'the books count as one specimen at least').max(1000);

export const OwnQuery = z.strictObject({ weight: weight.default(10) });
export type OwnQuery = z.output<typeof OwnQuery>;

/** What the station's own verified records say of a guide's scores. */
export const OwnView = z.object({
  /** Of the guide. */
  version: z.number().int(),
  /** Verified ones of the guide. */
  specimens: z.number().int(),
  /** Those that pull away from the books first, the most surprising before. */
  cells: z.array(OwnCell),
  /** Absent where they are no source of the guide. */
  followed: Followed.optional(),
});
export type OwnView = z.output<typeof OwnView>;

export const OwnWrite = z.strictObject({
  /** Of the guide, as it was seen. */
  version: z.number().int().min(1),
  followed: z.enum([...FOLLOWED, 'none']),
  weight: weight.default(10),
});
export type OwnWrite = z.output<typeof OwnWrite>;

/** One mark of one taxon on which they pull away, to be corrected in the guide. */
export const CorrectionWrite = OwnCell.pick({ taxon: true, facets: true, character: true })
  .strict()
  .extend({
    weight: weight.default(10),
  });
export type CorrectionWrite = z.output<typeof CorrectionWrite>;
/** The next version of the guide in which it stands, to be looked over and published. */
export const CorrectionProposed = z.object({ draft: z.uuid() });
export type CorrectionProposed = z.output<typeof CorrectionProposed>;
