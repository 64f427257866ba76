import { z } from 'zod';
import { Day } from '../observation/schema';
import { Seen } from '../guide/schema';
import { SEPARATED } from '../heredity/separated';

const parents = z.array(z.uuid()).min(2, 'name two at the least, or give the one').max(12);
const pen = z.string().trim().min(1).max(80);
const words = z.string().trim().max(400);

/** Moved to a pen on a day. */
export const Move = z.strictObject({ on: Day, pen });
export const Weight = z.strictObject({ on: Day, grams: z.number().positive().max(1e7) });

/** Kept alone to find out whose an egg is. */
export const Separation = z.strictObject({ on: Day, from: pen, found: z.enum(SEPARATED) });

/** A record that was found wrong: what it said, what stands now, and why. */
export const Correction = z.strictObject({
  on: Day,
  /** `sex`, `father`, `mother`, or a character. */
  what: z.string().min(1).max(80),
  was: z.string().max(200),
  now: z.string().max(200),
  why: words.min(1, 'say why'),
});
export type Correction = z.output<typeof Correction>;

/** What a keeper's book says of an individual. */
export const Kept = z.strictObject({
  sex: z.strictObject({ called: z.enum(['female', 'male']), certainty: z.number().gt(0.5).max(1) }).optional(),
  hatched: Day.optional(),
  /** Where the day is not known: it hatched between `hatched` and this. */
  hatchedTo: Day.optional(),
  father: z.uuid().optional(),
  mother: z.uuid().optional(),
  /** Where it may be one of several. */
  fathers: parents.optional(),
  mothers: parents.optional(),
  /** The clutch it is of. */
  clutch: z.uuid().optional(),
  /** Whence it came. */
  origin: words.optional(),
  strain: z.string().trim().max(80).optional(),
  /** Where it is now; the way there is in `moves`. */
  pen: z.string().trim().max(80).optional(),
  moves: z.array(Move).max(400).optional(),
  status: z.enum(['here', 'gone', 'dead']).default('here'),
  weights: z.array(Weight).max(2000).optional(),
  condition: words.optional(),
  separations: z.array(Separation).max(200).optional(),
  /** What was found wrong and settled, the latest last. */
  corrections: z.array(Correction).max(200).optional(),
  /** What it shows, by facet or character of the guide. */
  phenotypes: z.record(z.string().max(80), Seen).default({}),
});
export type Kept = z.output<typeof Kept>;

/** The same without whose it is: in a file those are named. */
export const KeptAlone = Kept.omit({ father: true, mother: true, fathers: true, mothers: true, corrections: true });

/** Former names of a pen that are kept. */
export const MOST_NAMES = 40;

/** A pen, a cage, an aviary of a book: where some of it are. */
export const Pen = z.strictObject({
  guideId: z.uuid(),
  name: pen,
  /** What it was called before; what was written by that name is meant of it still. */
  formerly: z.array(pen).max(MOST_NAMES).optional(),
  /** Where it stands. */
  place: words.optional(),
  /** How many it takes. */
  holds: z.number().int().min(1, 'write how many it takes, or leave it out').max(100_000).optional(),
  /** The strain it is kept for. */
  strain: z.string().trim().min(1).max(80).optional(),
  /** Since when it is no longer used. */
  until: Day.optional(),
  note: z.string().trim().max(2000).optional(),
});
export type Pen = z.output<typeof Pen>;

const number = z.number().int().min(0).max(100_000);

/** Eggs of one laying. */
export const Clutch = z.strictObject({
  id: z.uuid(),
  laid: Day,
  eggs: number.min(1, 'say how many eggs there were'),
  hatched: Day.optional(),
  /** How many hatched, and how many were lost. */
  young: number.optional(),
  lost: number.optional(),
  note: words.optional(),
});
export type Clutch = z.output<typeof Clutch>;

const side = z.array(z.uuid()).min(1, 'say who').max(12);

/** Who was put together, and what came of it. */
export const Pairing = z.strictObject({
  guideId: z.uuid(),
  /** One, or all that may be the parent. */
  fathers: side,
  mothers: side,
  pen: pen.optional(),
  from: Day,
  until: Day.optional(),
  /** Why strains that are kept apart were paired all the same. */
  override: words.min(1).optional(),
  note: z.string().max(2000).optional(),
  clutches: z.array(Clutch).max(200).default([]),
});
export type Pairing = z.output<typeof Pairing>;
