import { SCHOOLS } from '@plesion/core/guide/schema';
import { z } from 'zod';

const count = z.number().int().min(0);
const p = z.number();

export const CalibrationQuery = z.strictObject({
  guideId: z.uuid().optional(),
  /** Who gave the names. */
  by: z.string().min(1).max(120).optional(),
  /** The year in which they were given. */
  season: z.coerce.number().int().min(1600).max(9999).optional(),
  /** How the guide gives names. */
  school: z.enum(SCHOOLS).optional(),
});
export type CalibrationQuery = z.output<typeof CalibrationQuery>;

const hitRate = z.object({
  n: count,
  /** Right, of so many. */
  hits: count,
  rate: p,
  /** The central 95 in 100 of the rate. */
  low: p,
  high: p,
});

/** How often marks, people and guides turned out right; what is surely wrong most often first. */
export const HitRatesView = z.object({
  /** A mark is right where it pulled to what the specimen turned out to be. */
  marks: z.array(hitRate.extend({ guideId: z.uuid(), character: z.string() })),
  /** Names that were given. */
  observers: z.array(hitRate.extend({ by: z.string() })),
  guides: z.array(hitRate.extend({ guideId: z.uuid() })),
});
export type HitRatesView = z.output<typeof HitRatesView>;

/** One name against what it turned out to be. */
export const CalledPair = z.object({
  guideId: z.uuid(),
  /** Taxa of the guide. */
  called: z.string(),
  truth: z.string(),
  /** Was it called so, or wider, in taxon and in what else was said? */
  right: z.boolean(),
  n: count,
  /** Some of the records. */
  specimens: z.array(z.uuid()),
});
export type CalledPair = z.output<typeof CalledPair>;

/** How far the names of the station can be relied on, by those whose truth is known. */
export const CalibrationView = z.object({
  /** What may be chosen from: guides, people and years with names that are verified. */
  guides: z.array(z.object({ id: z.uuid(), title: z.string() })),
  observers: z.array(z.string()),
  seasons: z.array(z.number().int()),
  schools: z.array(z.enum(SCHOOLS)),
  /** Names that were given, those of which it is known what they were, and the mean P of each: which were verified was not left to chance. */
  names: z.object({ all: count, verified: count, meanAll: p.optional(), meanVerified: p.optional() }),
  calibration: z
    .object({
      n: count,
      right: count,
      brier: p,
      parts: z.object({ reliability: p, resolution: p, uncertainty: p, within: p }),
      logScore: p,
      classes: z.array(z.object({ from: p, to: p, n: count, stated: p, right: p, low: p, high: p })),
    })
    .optional(),
  /** From which probability on names are given: as the guide that was asked for has it, else as guides usually do. */
  usual: p,
  /** What would be named from each hundredth on, and how many of those names would be wrong. */
  thresholds: z.array(z.object({ threshold: p, names: count, wrong: count })),
  /** The commonest first. */
  pairs: z.array(CalledPair),
});
export type CalibrationView = z.output<typeof CalibrationView>;
