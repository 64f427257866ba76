import { z } from 'zod';
import { key } from '../observation/schema';

/** A place on a photo: pixels from its upper left corner, x to the right and y down; parts of a pixel count. */
export const PixelPoint = z.tuple([z.number(), z.number()]);
export type PixelPoint = z.infer<typeof PixelPoint>;

/** Points of a photo that were set at most at once, and of one outline. */
export const MOST_POINTS = 4000;

/** What was set: a landmark is one point; a curve, an outline, or markers are several. */
export const PointSet = z.record(key, z.union([PixelPoint, z.array(PixelPoint).max(MOST_POINTS)]));
export type PointSet = z.infer<typeof PointSet>;

/** A length between two landmarks, along a curve of its own, or through landmarks in turn. */
export const Line = z.strictObject({
  label: z.string().max(120).optional(),
  points: z.array(key).min(1).max(40),
});
export type Line = z.infer<typeof Line>;

const named = { id: key };

/** What is worked out of points. */
export const Quantity = z.discriminatedUnion('kind', [
  /** Two landmarks, or a curve: its length. */
  z.strictObject({ ...named, kind: z.literal('length'), line: Line }),
  /** One length in another. */
  z.strictObject({ ...named, kind: z.literal('ratio'), numerator: Line, denominator: Line }),
  /**
   * How far one tip reaches past another along an axis, as a share of a length: positive
   * where `tip` lies further along from `from` to `to` than `past`.
   */
  z.strictObject({
    ...named,
    kind: z.literal('reach'),
    tip: key,
    past: key,
    from: key,
    to: key,
    denominator: Line.optional(),
  }),
  /** At the middle one of three landmarks, in degrees, 0 to 180. */
  z.strictObject({ ...named, kind: z.literal('angle'), points: z.tuple([key, key, key]) }),
  /** Within an outline. */
  z.strictObject({ ...named, kind: z.literal('area'), outline: key }),
  /** Length ÷ width of the least box about an outline. */
  z.strictObject({ ...named, kind: z.literal('elongation'), outline: key }),
  /** 4πA ÷ P²: 1 for a circle. */
  z.strictObject({ ...named, kind: z.literal('roundness'), outline: key }),
  /** Width at half depth ÷ width at the rim of a dip drawn from rim to rim: ½ for a V, more for a U. */
  z.strictObject({ ...named, kind: z.literal('dip'), path: key }),
  /** Length of an edge ÷ that of the same edge smoothed: 1 where it is even. */
  z.strictObject({ ...named, kind: z.literal('raggedness'), path: key }),
  /** Markers, all or those to one side of an axis, seen along it. */
  z.strictObject({
    ...named,
    kind: z.literal('count'),
    markers: key,
    axis: z.tuple([key, key]).optional(),
    side: z.enum(['left', 'right']).optional(),
  }),
]);
export type Quantity = z.infer<typeof Quantity>;

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
  quantities: z.array(Quantity).min(1).max(100),
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
