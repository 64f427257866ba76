import { CERTAINTIES, READING_STATUSES } from '@plesion/core/evidence';
import { FACETS, FacetName, Facets, Handling, PRIOR_PARTS, RANKS, SourcePolicy } from '@plesion/core/guide';
import { DISTANCES, LIGHTS } from '@plesion/core/specimen';
import { z } from 'zod';

const key = z.string().min(1).max(80);
const words = z.string().max(2000);

export const Situation = z.strictObject({
  views: z.array(key).max(20).optional(),
  distance: z.enum(DISTANCES).optional(),
  light: z.enum(LIGHTS).optional(),
  handling: Handling.optional(),
  place: z.string().max(200).optional(),
  region: key.optional(),
  habitat: key.optional(),
  date: z.iso.date('write the date as YYYY-MM-DD').optional(),
  latitude: z.number().min(-90).max(90).optional(),
  longitude: z.number().min(-180).max(180).optional(),
  note: words.optional(),
  switchedOff: z.array(z.enum(PRIOR_PARTS)).optional(),
});

export const Reading = z.strictObject({
  id: key.optional(),
  character: key,
  states: z.array(key).min(1).max(64).optional(),
  value: z.number().optional(),
  error: z.number().min(0).optional(),
  parts: z
    .strictObject({ numerator: z.number().positive(), denominator: z.number().positive(), error: z.number().min(0).optional() })
    .optional(),
  certainty: z.enum(CERTAINTIES).optional(),
  status: z.enum(READING_STATUSES).optional(),
  reason: z.string().max(400).optional(),
});

export const Level = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rank'), rank: z.enum(RANKS) }),
  z.strictObject({ kind: z.literal('facet'), facet: z.enum(FACETS) }),
]);

export const StandingRequest = z.strictObject({
  situation: Situation.optional(),
  readings: z.array(Reading).max(500),
  level: Level.optional(),
  policy: SourcePolicy.optional(),
});

const p = z.number().min(0).max(1);
const Rival = z.object({ group: z.string(), label: z.string(), p });

const Verdict = z.object({
  level: Level,
  group: z.string(),
  label: z.string(),
  p,
  rival: Rival,
  marks: z.number(),
  marksNeeded: z.number(),
  worst: z.object({ p, reading: z.number() }).optional(),
  passes: z.boolean(),
  lacks: z.array(z.enum(['posterior', 'marks', 'survives'])),
  text: z.string(),
});

export const Call = z.object({
  kind: z.enum(['taxon', 'either', 'outside', 'undetermined']),
  taxon: z.string().optional(),
  other: z.string().optional(),
  facets: Facets,
  p,
  verdicts: z.array(Verdict),
  text: z.string(),
});

export const StandingAnswer = z.object({
  forms: z.array(z.object({ form: z.string(), taxon: z.string(), facets: Facets, p })),
  taxa: z.array(z.object({ taxon: z.string(), name: z.string(), rank: z.enum(RANKS), p })),
  facets: z.array(z.object({ facet: FacetName, values: z.array(z.object({ value: z.string(), label: z.string(), p })) })),
  outside: p,
  level: Level,
  nextLevel: Level,
  beam: z.object({ left: Rival, right: Rival, start: z.number(), sum: z.number(), enough: z.number() }),
  ledger: z.array(
    z.object({
      reading: z.number(),
      character: z.string(),
      bits: z.number(),
      weight: z.number(),
      group: z.string(),
      without: p.optional(),
    }),
  ),
  call: Call,
  nextLooks: z.array(
    z.object({
      character: z.string(),
      bits: z.number(),
      chance: p,
      seconds: z.number(),
      sameView: z.boolean(),
      hindrance: z.enum(['view', 'handling', 'distance']).optional(),
    }),
  ),
  mapOnly: z.object({ without: z.string(), label: z.string() }).optional(),
});
