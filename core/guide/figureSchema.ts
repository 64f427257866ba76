import { z } from 'zod';
import { FacetName, id, label, share, text } from './terms';
import { LICENCES } from './vocabulary';

/** A photograph in a guide: what it shows, from where, whose it is and on what terms; with what is to be seen on it. */
export const Figure = z.strictObject({
  id,
  /** The SHA-256 of its file, by which the station keeps it. */
  photo: z.string().regex(/^[0-9a-f]{64}$/, 'this is not the hash of a photo'),
  /** As it is shown, in pixels. */
  width: z.number().int().min(1).max(100_000),
  height: z.number().int().min(1).max(100_000),
  taxon: id,
  /** Only these forms of it. */
  facets: z.partialRecord(FacetName, z.array(id).min(1)).optional(),
  view: id,
  credit: label,
  licence: z.enum(LICENCES),
  caption: text.optional(),
  /** Characters pointed at: where, as shares of its width and height from the upper left. */
  pins: z
    .array(z.strictObject({ character: id, x: share, y: share }))
    .max(12)
    .optional(),
});
export type Figure = z.infer<typeof Figure>;
