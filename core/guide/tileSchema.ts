import { z } from 'zod';
import { id, positive, share } from './terms';
import { OUTLINES, TIPS, BASES, MARGINS, TILE_PATTERNS, SURFACES, VEINS, CAPS, UNDERSIDES, STALKS, FINS } from './tileVocabulary';

/**
 * How a state is drawn where no body plan draws it: a general shape with its parameters, lengths as bars, or colours as they
 * are. The words of outlines, tips, bases and margins are those of descriptive botany; they serve scales, petals and wing cases as
 * well as leaves.
 */

const Colour = z.string().regex(/^#[0-9a-f]{6}$/i, 'write a colour as # and six hexadecimal digits, such as #c0a040');
const painted = { colour: Colour.optional(), second: Colour.optional(), pattern: z.enum(TILE_PATTERNS).optional() };

export const Tile = z.discriminatedUnion('draw', [
  /** A leaf, petal, scale, wing case, abdomen: anything with an outline. */
  z.strictObject({
    draw: z.literal('blade'),
    outline: z.enum(OUTLINES),
    tip: z.enum(TIPS).optional(),
    base: z.enum(BASES).optional(),
    margin: z.enum(MARGINS).optional(),
    surface: z.enum(SURFACES).optional(),
    veins: z.enum(VEINS).optional(),
    /** Its length in widths; that of the outline where absent. */
    ratio: z.number().min(0.3).max(14).optional(),
    ...painted,
  }),
  /** A fungus from the side. */
  z.strictObject({
    draw: z.literal('cap'),
    profile: z.enum(CAPS),
    under: z.enum(UNDERSIDES).optional(),
    stalk: z.enum(STALKS).optional(),
    surface: z.enum(SURFACES).optional(),
    ...painted,
  }),
  /** The tail of a fish or a bird, spread. */
  z.strictObject({ draw: z.literal('fin'), end: z.enum(FINS), ...painted }),
  /** Lengths beside each other, in any one unit. */
  z.strictObject({ draw: z.literal('bars'), lengths: z.array(z.number().min(0.01).max(1000)).min(2).max(4) }),
  /** Colours as they are; one that paints is that of the whole, and what is drawn beside it takes it. */
  z.strictObject({ draw: z.literal('swatch'), colours: z.array(Colour).min(1).max(4), paints: z.boolean().optional() }),
  /** A piece of a photograph of the guide: from where, and how wide and high, as shares of it. */
  z.strictObject({
    draw: z.literal('photo'),
    figure: id,
    box: z.strictObject({ x: share, y: share, width: positive.max(1), height: positive.max(1) }),
  }),
]);
export type Tile = z.infer<typeof Tile>;

/** Tiles that are drawn, not cut out of a photograph. */
export type DrawnTile = Exclude<Tile, { draw: 'photo' }>;

/** What is known of one kind of tile. */
export type TileOf<D extends Tile['draw']> = Extract<Tile, { draw: D }>;
