import { z } from 'zod';
import { id, label } from './terms';
import { LANDMARK_KINDS } from './vocabulary';

/** A length between two landmarks, through several in turn, or along a curve that is set as one. */
export const Line = z.strictObject({
  label: label.optional(),
  points: z.array(id).min(1).max(40),
});
export type Line = z.infer<typeof Line>;

/** An outline that others are held against; in any place, turn and size, and begun at its foot. */
export const Shape = z.strictObject({
  label,
  points: z
    .array(z.tuple([z.number(), z.number()]))
    .min(5)
    .max(400),
});
export type Shape = z.infer<typeof Shape>;

const named = { id };

/** What is worked out of points. */
export const Quantity = z.discriminatedUnion('kind', [
  /** Two landmarks, or a curve: its length. */
  z.strictObject({ ...named, kind: z.literal('length'), line: Line }),
  /** One length in another. */
  z.strictObject({ ...named, kind: z.literal('ratio'), numerator: Line, denominator: Line }),
  /**
   * How far one tip reaches past another along an axis, in pixels or mm, or in another length:
   * positive where `tip` lies further along from `from` to `to` than `past`.
   */
  z.strictObject({ ...named, kind: z.literal('reach'), tip: id, past: id, from: id, to: id, denominator: Line.optional() }),
  /** At the middle one of three landmarks, in degrees, 0 to 180. */
  z.strictObject({ ...named, kind: z.literal('angle'), points: z.tuple([id, id, id]) }),
  /** Within an outline. */
  z.strictObject({ ...named, kind: z.literal('area'), outline: id }),
  /** Length ÷ width of the least box about an outline. */
  z.strictObject({ ...named, kind: z.literal('elongation'), outline: id }),
  /** 4πA ÷ P²: 1 for a circle. */
  z.strictObject({ ...named, kind: z.literal('roundness'), outline: id }),
  /** Where an outline, begun at its foot, lies between two others: 0 as the first, 1 as the second. */
  z.strictObject({ ...named, kind: z.literal('form'), outline: id, between: z.tuple([Shape, Shape]) }),
  /** Width at half depth ÷ width at the rim of a dip drawn from rim to rim: ½ for a V, more for a U. */
  z.strictObject({ ...named, kind: z.literal('dip'), path: id }),
  /** Length of an edge ÷ that of the same edge smoothed: 1 where it is even. */
  z.strictObject({ ...named, kind: z.literal('raggedness'), path: id }),
  /**
   * Markers: all, or those to one side of an axis, as one sees them who looks along it; `each` counts both sides
   * and tells how many there are on one.
   */
  z.strictObject({
    ...named,
    kind: z.literal('count'),
    markers: id,
    axis: z.tuple([id, id]).optional(),
    side: z.enum(['left', 'right', 'each']).optional(),
  }),
]);
export type Quantity = z.infer<typeof Quantity>;

/** How a measured character is taken on a photo: which places, in which order, and what is worked out of them. */
export const Protocol = z.strictObject({
  /** The view that the photo has to show. */
  view: id,
  /** In the order in which they are set, each said in words. */
  landmarks: z
    .array(
      z.strictObject({
        id,
        label,
        kind: z.enum(LANDMARK_KINDS).default('point'),
        /** Each of them is a spot, darker or lighter than what is about it: the machine may look for them. */
        spots: z.boolean().optional(),
      }),
    )
    .min(1)
    .max(40),
  quantity: Quantity,
  /** For a character told by states: what the quantity is in each; together they may leave gaps, and overlap. */
  states: z
    .array(z.strictObject({ state: id, from: z.number().optional(), to: z.number().optional() }))
    .min(2)
    .max(64)
    .optional(),
  /** How often it is to be measured; once where absent. */
  repeats: z.number().int().min(1).max(10).optional(),
});
export type Protocol = z.infer<typeof Protocol>;
