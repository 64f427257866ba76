import { Judgement } from '@plesion/core/guide/schema';
import { KeptWalk } from '@plesion/core/keys/schema';
import { Day, Readings, Situation } from '@plesion/core/observation/schema';
import { Determination, MediaList, Summary } from '@plesion/core/specimen/schema';
import { z } from 'zod';
import { PhotoHash } from './photos';

const instant = z.iso.datetime({ offset: true });

/** What a client writes: the whole specimen and the version it last saw (0 for a new one). */
export const SpecimenWrite = z.strictObject({
  version: z.number().int().min(0),
  /** Absent where it is named by a key alone, or by hand. */
  guideId: z.uuid().optional(),
  /** The individual it is one meeting with, where that is known. */
  individualId: z.uuid().optional(),
  label: z.string().max(120),
  situation: Situation,
  readings: Readings,
  judgement: Judgement.optional(),
  determinations: z.array(Determination).max(200),
  /** How far it was keyed. */
  walk: KeptWalk.optional(),
  /** A photo sent before. */
  photo: PhotoHash.optional(),
  /** Everything kept of it, in order. */
  media: MediaList.optional(),
  hidden: z.boolean(),
});
export type SpecimenWrite = z.output<typeof SpecimenWrite>;

export const Specimen = SpecimenWrite.extend({
  id: z.uuid(),
  guideVersion: z.number().int().min(1).optional(),
  summary: Summary,
  createdAt: instant,
  updatedAt: instant,
});
export type Specimen = z.output<typeof Specimen>;

export const SpecimenRow = z.object({
  id: z.uuid(),
  version: z.number().int(),
  guideId: z.uuid().optional(),
  label: z.string(),
  place: z.string().optional(),
  date: z.string().optional(),
  named: z.boolean(),
  hidden: z.boolean(),
  photo: z.string().optional(),
  summary: Summary,
  readings: z.number().int(),
  /** What was seen of it, for its plate: state or value by character. */
  traits: z.record(z.string(), z.union([z.string(), z.number()])),
  /** Of who recorded it, as they stand on records. */
  initials: z.string(),
  updatedAt: instant,
});
export type SpecimenRow = z.output<typeof SpecimenRow>;

export const SpecimenQuery = z.strictObject({
  search: z.string().max(120).optional(),
  named: z.enum(['yes', 'no']).optional(),
  /** One guide's, or `none`: those without a guide. */
  guideId: z.union([z.uuid(), z.literal('none')], 'give the id of a guide, or “none”').optional(),
  place: z.string().max(200).optional(),
  /** Those of one individual. */
  individualId: z.uuid().optional(),
  from: Day.optional(),
  to: Day.optional(),
  hidden: z.enum(['yes']).optional(),
  limit: z.coerce.number().int().min(1).max(200).optional(),
  /** The page after this specimen, which `next` of the page before named. */
  after: z.uuid('give the id that `next` of the page before named').optional(),
});
export type SpecimenQuery = z.output<typeof SpecimenQuery>;

export const SpecimenList = z.object({
  specimens: z.array(SpecimenRow),
  /** There are more after this one; absent on the last page. */
  next: z.uuid().optional(),
  /** Of all pages. */
  total: z.number().int(),
  places: z.array(z.string()),
});
export type SpecimenList = z.output<typeof SpecimenList>;
