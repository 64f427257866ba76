import { z } from 'zod';
import { Quantity } from '../guide/protocolSchema';
import { key } from '../observation/schema';

/** A place on a photo: pixels from its upper left corner, x to the right and y down; parts of a pixel count. */
export const PixelPoint = z.tuple([z.number(), z.number()]);
export type PixelPoint = z.infer<typeof PixelPoint>;

/** Points of a photo that were set at most at once, and of one outline. */
export const MOST_POINTS = 4000;

/** What was set: a landmark is one point; a curve, an outline, or markers are several. */
export const PointSet = z.record(key, z.union([PixelPoint, z.array(PixelPoint).max(MOST_POINTS)]));
export type PointSet = z.infer<typeof PointSet>;

/** What tells how large a pixel is; ratios, angles and counts need none. */
export const Scale = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('none') }),
  /** Bars, or known lengths, each of two points; the second and later ones check the first. */
  z.strictObject({
    kind: z.literal('lengths'),
    references: z
      .array(
        z.strictObject({
          ends: z.tuple([PixelPoint, PixelPoint]),
          mm: z.number().positive(),
          /** Standard error of the bar itself, in mm. */
          error: z.number().min(0).optional(),
        }),
      )
      .min(1)
      .max(20),
  }),
  /** Crossings of a grid, or corners of a known rectangle: the plane is put right by them. */
  z.strictObject({
    kind: z.literal('grid'),
    points: z
      .array(z.strictObject({ at: PixelPoint, mm: z.tuple([z.number(), z.number()]) }))
      .min(4)
      .max(200),
  }),
]);
export type Scale = z.infer<typeof Scale>;

/** A question to the measuring core: pixels in, values with their errors out. */
export const MeasureRequest = z.strictObject({
  points: PointSet,
  quantities: z
    .array(Quantity)
    .min(1)
    .max(100)
    .refine((all) => new Set(all.map(({ id }) => id)).size === all.length, 'has two of one id; call each otherwise'),
  scale: Scale.optional(),
  /** The same points set again, blind: one set for each repeat after the first. */
  repeats: z.array(PointSet).max(50).optional(),
  /** Standard deviation of pointing, in pixels along x and along y; 2 where nothing is known. */
  pointingSd: z.number().positive().max(1000).optional(),
  /** Degrees of freedom it rests on; known for good where absent. */
  pointingDf: z.number().positive().optional(),
  /** Pixels; points beyond are named. */
  photo: z.strictObject({ width: z.number().int().positive(), height: z.number().int().positive() }).optional(),
});
export type MeasureRequest = z.infer<typeof MeasureRequest>;

/** What came out for one quantity. */
export const Measured = z.object({
  quantity: z.string(),
  value: z.number(),
  unit: z.string(),
  /** Standard error of the value. */
  sd: z.number(),
  /** Degrees of freedom the error rests on; absent where it is taken as known. */
  df: z.number().optional(),
  /** 95 %. */
  interval: z.tuple([z.number(), z.number()]),
  /** How many times it was measured. */
  n: z.number().int(),
});
export type Measured = z.infer<typeof Measured>;
