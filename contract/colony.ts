import { CrossAnswer, PosteriorAnswer } from '@plesion/core/heredity/schema';
import { z } from 'zod';
import { Kept } from './kept';

/** One of the book, with what it carries as far as the records tell. */
export const ColonyMember = z.object({
  id: z.uuid(),
  version: z.number().int(),
  label: z.string(),
  kept: Kept,
  /** By what it is called in answers of heredity: its label, made the only one of its kind. */
  name: z.string(),
});
export type ColonyMember = z.output<typeof ColonyMember>;

export const Colony = z.object({
  members: z.array(ColonyMember),
  /** By name; absent where something is wrong with the records. */
  posterior: PosteriorAnswer.optional(),
  /** Coefficients of inbreeding that are not 0, by name. */
  inbreeding: z.record(z.string(), z.number()),
  /** What is wrong with the records, before anything could be worked out. */
  problems: z.array(z.object({ name: z.string().optional(), message: z.string() })),
});
export type Colony = z.output<typeof Colony>;

/** Books: guides that say how their kinds inherit, with how many are kept by each. */
export const ColonyList = z.object({
  colonies: z.array(z.object({ guideId: z.uuid(), title: z.string(), n: z.number().int() })),
});
export type ColonyList = z.output<typeof ColonyList>;

export const PairWrite = z.strictObject({
  father: z.uuid(),
  mother: z.uuid(),
  clutch: z.number().int().min(1).max(1000).default(1),
});
export type PairWrite = z.output<typeof PairWrite>;
export const PairAnswer = CrossAnswer;
