import { z } from 'zod';
import { Facets, Judgement, SourcePolicy } from '../guide/schema';
import { KeptWalk } from '../keys/schema';
import { key, Reading, Situation } from '../observation/schema';
import { MEDIA_KINDS, MOST_MEDIA, QUALIFIERS } from './vocabulary';

/** The name given to a specimen: at a level, with a qualifier, by whom, when and why. */
export const Determination = z.strictObject({
  id: z.uuid(),
  qualifier: z.enum(QUALIFIERS),
  /** Absent for `unknown` and `outside`. */
  taxon: key.optional(),
  /** The second name of `or`. */
  other: key.optional(),
  /** The names as they were written, where no guide stands behind them. */
  written: z
    .strictObject({ name: z.string().trim().min(1).max(200), other: z.string().trim().min(1).max(200).optional() })
    .optional(),
  facets: Facets,
  /** Several facet values named together; the guide's id of that union. */
  union: key.optional(),
  by: z.string().max(120),
  /** ISO instant. */
  at: z.iso.datetime({ offset: true }),
  /** P of the name when it was given, 0..1. */
  p: z.number().min(0).max(1),
  /** What was recommended then, in words. */
  recommended: z.string().max(2000),
  /** Does it differ from the recommendation? Then `reason` says why. */
  overruled: z.boolean(),
  reason: z.string().max(2000).optional(),
  /** Absent where the specimen has no guide. */
  guideVersion: z.number().int().min(1).optional(),
  /** What it was given on, so that it can be replayed with that version of the guide; set when it is stored. */
  pinned: z
    .strictObject({
      situation: Situation,
      readings: z.array(Reading),
      policy: SourcePolicy.optional(),
      judgement: Judgement.optional(),
      walk: KeptWalk.optional(),
    })
    .optional(),
});
export type Determination = z.infer<typeof Determination>;

/** What is said of a specimen, without who said it and on what. */
export const GivenName = Determination.pick({ qualifier: true, taxon: true, other: true, facets: true, union: true });
export type GivenName = z.infer<typeof GivenName>;

/** A photo, drawing or recording of a record. */
export const Media = z.strictObject({
  id: z.uuid(),
  kind: z.enum(MEDIA_KINDS),
  /** SHA-256 of the file as it was sent, in hex. */
  hash: z.string().regex(/^[0-9a-f]{64}$/, 'this is not the hash of a file'),
  /** The guide's view that it shows. */
  view: key.optional(),
  note: z.string().max(400).optional(),
  /** Who made it, as they want to be named. */
  credit: z.string().max(200).optional(),
});
export type Media = z.infer<typeof Media>;

/** Everything kept of a specimen, in order. */
export const MediaList = z.array(Media).max(MOST_MEDIA);

/** A specimen's name as far as it goes, and how sure, in one line: kept with it, so that lists need not weigh anything. */
export const Summary = z.object({
  name: z.string(),
  qualifier: z.enum(QUALIFIERS),
  taxon: z.string().optional(),
  other: z.string().optional(),
  facets: Facets,
  p: z.number().min(0).max(1),
  /** The most probable form: what its plate shows; empty without a guide. */
  leadingForm: z.string(),
  text: z.string(),
});
export type Summary = z.infer<typeof Summary>;
