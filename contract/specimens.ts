import { QUALIFIERS } from '@plesion/core/specimen';
import { Facets, SourcePolicy } from '@plesion/core/guide';
import { z } from 'zod';
import { Judgement, Reading, Situation } from './evidence';
import { KeptWalk } from './keys';
import { PhotoHash } from './photos';

const key = z.string().min(1).max(80);
const instant = z.iso.datetime({ offset: true });

export const Determination = z.strictObject({
  id: z.uuid(),
  qualifier: z.enum(QUALIFIERS),
  taxon: key.optional(),
  other: key.optional(),
  facets: Facets,
  /** Several facet values named together; the guide's id of that union. */
  union: key.optional(),
  by: z.string().max(120),
  at: instant,
  p: z.number().min(0).max(1),
  recommended: z.string().max(2000),
  overruled: z.boolean(),
  reason: z.string().max(2000).optional(),
  guideVersion: z.number().int().min(1),
  /** Set by the server when it stores the name. */
  pinned: z
    .strictObject({
      situation: Situation,
      readings: z.array(Reading),
      policy: SourcePolicy,
      judgement: Judgement.optional(),
      walk: KeptWalk.optional(),
    })
    .optional(),
});

/** What a client writes: the whole specimen and the version it last saw (0 for a new one). */
export const SpecimenWrite = z.strictObject({
  version: z.number().int().min(0),
  guideId: z.uuid(),
  label: z.string().max(120),
  situation: Situation,
  readings: z.array(Reading).max(500),
  judgement: Judgement.optional(),
  determinations: z.array(Determination).max(200),
  /** How far it was keyed. */
  walk: KeptWalk.optional(),
  /** A photo sent before. */
  photo: PhotoHash.optional(),
  hidden: z.boolean(),
});

/** How far the readings go, kept with the specimen so that lists need not weigh anything. */
export const SpecimenSummary = z.object({
  name: z.string(),
  qualifier: z.enum(QUALIFIERS),
  taxon: z.string().optional(),
  other: z.string().optional(),
  facets: Facets,
  p: z.number().min(0).max(1),
  leadingForm: z.string(),
  text: z.string(),
});

export const Specimen = SpecimenWrite.extend({
  id: z.uuid(),
  guideVersion: z.number().int().min(1),
  summary: SpecimenSummary,
  createdAt: instant,
  updatedAt: instant,
});

export const SpecimenRow = z.object({
  id: z.uuid(),
  version: z.number().int(),
  guideId: z.uuid(),
  label: z.string(),
  place: z.string().optional(),
  date: z.string().optional(),
  named: z.boolean(),
  hidden: z.boolean(),
  photo: z.string().optional(),
  summary: SpecimenSummary,
  readings: z.number().int(),
  /** What was seen of it, for its plate: state or value by character. */
  traits: z.record(z.string(), z.union([z.string(), z.number()])),
  updatedAt: instant,
});

export const SpecimenQuery = z.strictObject({
  search: z.string().max(120).optional(),
  named: z.enum(['yes', 'no']).optional(),
  guideId: z.uuid().optional(),
  place: z.string().max(200).optional(),
  from: z.iso.date().optional(),
  to: z.iso.date().optional(),
  hidden: z.enum(['yes']).optional(),
  limit: z.coerce.number().int().min(1).max(200).optional(),
  offset: z.coerce.number().int().min(0).optional(),
});

export const SpecimenList = z.object({
  specimens: z.array(SpecimenRow),
  total: z.number().int(),
  places: z.array(z.string()),
});
