import { CERTAINTIES, READING_STATUSES } from '@plesion/core/evidence';
import {
  FACETS,
  FacetName,
  Facets,
  Handling,
  HAZARD_GRADES,
  HAZARD_KINDS,
  PRIOR_PARTS,
  RANKS,
  ScoreValue,
  SourcePolicy,
} from '@plesion/core/guide';
import { DISTANCES, LIGHTS, SUBJECTS } from '@plesion/core/specimen';
import { z } from 'zod';

const key = z.string().min(1).max(80);
const words = z.string().max(2000);

export const Situation = z.strictObject({
  views: z.array(key).max(20).optional(),
  subject: z.enum(SUBJECTS).optional(),
  distance: z.enum(DISTANCES).optional(),
  light: z.enum(LIGHTS).optional(),
  handling: Handling.optional(),
  place: z.string().max(200).optional(),
  region: key.optional(),
  habitat: key.optional(),
  circumstances: z.array(key).max(20).optional(),
  company: z.array(key).max(20).optional(),
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
  /** "Larger than the known one beside it", "darker above than below". */
  comparison: z
    .strictObject({
      relation: z.enum(['larger', 'smaller']),
      than: z.union([z.strictObject({ taxon: key }), z.strictObject({ form: key }), z.strictObject({ character: key })]),
    })
    .optional(),
  certainty: z.enum(CERTAINTIES).optional(),
  status: z.enum(READING_STATUSES).optional(),
  reason: z.string().max(400).optional(),
  /** Where it shows on the photo, as shares of its width and height. */
  at: z.strictObject({ x: z.number().min(0).max(1), y: z.number().min(0).max(1) }).optional(),
});

export const Level = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rank'), rank: z.enum(RANKS) }),
  z.strictObject({ kind: z.literal('facet'), facet: z.enum(FACETS) }),
]);

const judged = {
  policy: SourcePolicy.optional(),
  treatment: key.optional(),
  cross: z.tuple([key, key]).optional(),
};

/** How readings are to be weighed, where not as the guide has it. */
export const Judgement = z.strictObject(judged);

/** A finished walk through a key, for guides whose school is the key. */
export const Keyed = z.strictObject({ taxon: key, decided: z.boolean(), fits: z.boolean(), text: z.string().max(400) });

export const StandingRequest = z.strictObject({
  keyed: Keyed.optional(),
  situation: Situation.optional(),
  readings: z.array(Reading).max(500),
  level: Level.optional(),
  ...judged,
});

const p = z.number().min(0).max(1);
const Because = z.enum(['view', 'distance', 'handling', 'danger', 'date', 'region', 'circumstances', 'facets']);
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
  oneWrong: z.object({ reading: z.number(), instead: z.string(), plausibility: p, p }).optional(),
  cost: z
    .object({
      taxon: z.string(),
      label: z.string(),
      weight: z.number(),
      reason: z.string(),
      p,
      others: z.number().int(),
      sum: z.number(),
    })
    .optional(),
  passes: z.boolean(),
  lacks: z.array(z.enum(['posterior', 'marks', 'survives', 'cost', 'diagnostic', 'key'])),
  text: z.string(),
  weighText: z.string().optional(),
});

export const Call = z.object({
  kind: z.enum(['taxon', 'either', 'outside', 'undetermined']),
  taxon: z.string().optional(),
  other: z.string().optional(),
  facets: Facets,
  union: z.object({ id: z.string(), label: z.string(), p }).optional(),
  p,
  verdicts: z.array(Verdict),
  text: z.string(),
  proviso: z.string().optional(),
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
      handling: Handling,
      sameView: z.boolean(),
      hindrance: Because.optional(),
      answers: z
        .array(z.object({ answer: z.string(), chance: p.optional(), group: z.string(), label: z.string(), p }))
        .optional(),
    }),
  ),
  mapOnly: z.object({ without: z.string(), label: z.string() }).optional(),
  robustness: z.object({
    group: z.string(),
    label: z.string(),
    p,
    independent: z.number().int(),
    without: z.array(z.object({ reading: z.number(), p, leader: z.string(), label: z.string() })),
    oneWrong: z
      .object({ reading: z.number(), instead: z.string(), plausibility: p, p, leader: z.string(), label: z.string() })
      .optional(),
    contradictions: z.array(z.object({ readings: z.tuple([z.number(), z.number()]), kind: z.enum(['same-mark', 'opposed']) })),
    text: z.string(),
  }),
  fit: z.object({ form: z.string(), tail: p, poor: z.boolean(), unusual: z.boolean(), text: z.string() }),
  setAside: z.array(z.object({ character: z.string(), because: Because, text: z.string() })),
  hazards: z.array(
    z.object({
      taxon: z.string(),
      name: z.string(),
      kind: z.enum(HAZARD_KINDS),
      grade: z.enum(HAZARD_GRADES),
      p,
      threshold: p,
      text: z.string(),
      advice: z.string(),
      legal: z.string().optional(),
    }),
  ),
  withheld: z.object({ close: z.boolean(), reason: z.string().optional() }),
  traps: z.array(z.object({ character: z.string(), overlap: p, text: z.string() })),
  disagreements: z.array(
    z.object({
      character: z.string(),
      taxa: z.array(z.string()),
      overlap: p,
      read: z.boolean(),
      said: z.array(z.object({ source: z.string(), label: z.string(), value: ScoreValue, p: p.optional() })),
    }),
  ),
  crosses: z.array(z.object({ taxon: z.string(), parents: z.tuple([z.string(), z.string()]), p, share: p, spread: z.number() })),
  settling: z.object({ characters: z.array(z.string()), bits: z.number(), missing: z.number(), reaches: z.boolean() }).optional(),
});
