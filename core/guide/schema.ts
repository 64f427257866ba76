import { z } from 'zod';
import { Cost, Treatment, Union } from './judgementSchema';
import { CslItem } from './cslSchema';
import { FieldSection } from './fieldSchema';
import { Figure } from './figureSchema';
import { HereditySection } from './hereditySchema';
import { Block, Learned } from './learnedSchema';
import { Protocol } from './protocolSchema';
import { Tile } from './tileSchema';
import { FacetName, id, label, monthDay, positive, share, text } from './terms';
import {
  CHARACTER_GROUPS,
  CHARACTER_KINDS,
  COMPANY_KINDS,
  HANDLING,
  HAZARD_GRADES,
  HAZARD_KINDS,
  NAME_KINDS,
  PLANS,
  RANKS,
  SCHOOLS,
} from './vocabulary';
import { FREQUENCY_WORDS } from './words';

export { Protocol };

/** The formats of Plesion JSON that are read; the last is the one that is written. */
export const FORMATS = [1, 2] as const;

/**
 * A guide as it is authored and exchanged (Plesion JSON; format 2 lets a guide say
 * what its plates are drawn from). The
 * words are those of the field; `docs/guides.md` explains them to people.
 */

export const Frequency = z.union([z.enum(FREQUENCY_WORDS), share]);

export const Rank = z.enum(RANKS);
export type Rank = z.infer<typeof Rank>;

/** A block of forms: the product of its facet values, each with its share among the taxon's individuals. */
export const FormBlock = z.strictObject({
  share: share.default(1),
  facets: z.partialRecord(FacetName, z.record(id, share)),
});

/** Another name under which people look for a taxon. */
export const OtherName = z.strictObject({ name: label, kind: z.enum(NAME_KINDS), note: text.optional() });
export type OtherName = z.infer<typeof OtherName>;

/** What a taxon can do to the one who holds it. */
export const Hazard = z.strictObject({
  kind: z.enum(HAZARD_KINDS),
  grade: z.enum(HAZARD_GRADES),
  /** The usual caution, plainly; what to do if it happens defers to medical help. */
  text: z.string().min(1).max(1000),
  /** Only these forms of it. */
  facets: z.partialRecord(FacetName, z.array(id).min(1)).optional(),
  /** The notice stands while the taxon is at least this probable; the guide's setting where absent. */
  threshold: share.optional(),
});
export type Hazard = z.infer<typeof Hazard>;

export const Taxon = z.strictObject({
  id,
  name: label,
  rank: Rank,
  parent: id.optional(),
  authority: z.string().max(120).optional(),
  vernacular: z.string().max(120).optional(),
  names: z.array(OtherName).optional(),
  abundance: positive.default(1),
  forms: z.array(FormBlock).optional(),
  /** A cross of two taxa: its forms are those that both have, in three shares of ancestry. */
  cross: z.tuple([id, id]).optional(),
  hazards: z.array(Hazard).optional(),
  /** Protection, permits and the like, as a pointer to local law. */
  legal: text.optional(),
  /** Its places are not to be published: exports tell them coarsely. */
  sensitive: z.boolean().optional(),
  note: text.optional(),
});
export type Taxon = z.infer<typeof Taxon>;

export const Scope = z.strictObject({
  taxon: id.optional(),
  facets: z.partialRecord(FacetName, z.array(id).min(1)).optional(),
  regions: z.array(id).min(1).optional(),
  dates: z.strictObject({ from: monthDay, to: monthDay }).optional(),
  /** Holds only in all of these: wind, wet, alarm, a posture. */
  circumstances: z.array(id).min(1).optional(),
});
export type Scope = z.infer<typeof Scope>;

export const Handling = z.enum(HANDLING);
export type Handling = z.infer<typeof Handling>;

export const Character = z.strictObject({
  id,
  label,
  kind: z.enum(CHARACTER_KINDS),
  group: z.enum(CHARACTER_GROUPS),
  /** What to look at and how, in one or two sentences. */
  help: text.optional(),
  states: z
    .array(z.strictObject({ id, label, help: text.optional(), tile: Tile.optional() }))
    .min(2)
    .max(64)
    .optional(),
  unit: z.string().max(12).optional(),
  /** A ratio's two lengths, as a person would call them. */
  parts: z.strictObject({ numerator: label, denominator: label }).optional(),
  /** The usual error of one careful measurement, in the character's unit. */
  error: positive.optional(),
  /** Sizes above 0 whose spread grows with them are compared on a log scale. */
  log: z.boolean().optional(),
  /** For counts: the smallest and largest that can be entered. */
  counts: z.strictObject({ from: z.number().int().min(0), to: z.number().int().max(500) }).optional(),
  views: z.array(id).min(1),
  handling: Handling.default('look'),
  /** How near one must be: `hand` in the hand, `near` a few paces, `far` anything. */
  distance: z.enum(['hand', 'near', 'far']).default('near'),
  /** Colours and faint patterns need fair light. */
  needsLight: z.boolean().default(false),
  seconds: positive.default(5),
  /** ρ: how often the state is read right by a careful observer. */
  reliability: z.number().gt(0).max(1).optional(),
  dependence: id.optional(),
  /** How much people trust it, 0..1: a famous character that does not separate is a trap. */
  fame: share.optional(),
  /** How much it strikes the eye, 0..1. */
  salience: share.optional(),
  /** Which part of the plate shows it. */
  plate: z.strictObject({ view: id, part: id }).optional(),
  /** How it is taken on a photo. */
  /** Its value is how often something happens in its unit of time, such as wing-beats a second: it can be tapped, or marked on a clip. */
  tempo: z.boolean().optional(),
  protocol: Protocol.optional(),
});
export type Character = z.infer<typeof Character>;

export const ScoreValue = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('states'),
    states: z.record(id, Frequency),
    /** All of a kind have one of these states, in equal parts; which, is not known. Without it, each of them is met. */
    uncertain: z.literal(true).optional(),
  }),
  z.strictObject({ kind: z.literal('range'), range: z.string().max(60), n: z.number().int().positive().optional() }),
  z.strictObject({ kind: z.literal('values'), mean: z.number(), sd: positive, n: z.number().int().positive().optional() }),
  z.strictObject({ kind: z.literal('counts'), counts: z.record(z.string().regex(/^\d+$/), Frequency) }),
  z.strictObject({ kind: z.literal('applies'), frequency: Frequency }),
  /** "Longer than in B": shifts the less known of the two so that P(A > B) = .9. */
  z.strictObject({
    kind: z.literal('comparison'),
    relation: z.enum(['above', 'below']),
    than: z.strictObject({ taxon: id, facets: z.partialRecord(FacetName, z.array(id).min(1)).optional() }),
  }),
]);
export type ScoreValue = z.infer<typeof ScoreValue>;

export const Score = z.strictObject({
  character: id,
  scope: Scope,
  source: id,
  value: ScoreValue,
  note: text.optional(),
});
export type Score = z.infer<typeof Score>;

export const Source = z.strictObject({
  id,
  label,
  citation: text,
  kind: z.enum(['book', 'paper', 'person', 'records']),
  /** The item of literature that it came from, in CSL-JSON, so that nothing of it is lost on the way out again. */
  csl: CslItem.optional(),
});
export type Source = z.infer<typeof Source>;

/** How common a form is in a region, a habitat or at a date; multiplies the prior. */
export const Occurrence = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('range'), taxon: id, region: id, frequency: Frequency }),
  z.strictObject({ kind: z.literal('habitat'), taxon: id, habitat: id, frequency: Frequency }),
  z.strictObject({
    kind: z.literal('date'),
    taxon: id,
    facets: z.partialRecord(FacetName, z.array(id).min(1)).optional(),
    curve: z.array(z.tuple([monthDay, share])).min(1),
  }),
  z.strictObject({ kind: z.literal('company'), taxon: id, company: id, frequency: Frequency }),
]);
export type Occurrence = z.infer<typeof Occurrence>;

export const SourcePolicy = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('prefer'), order: z.array(id), exclude: z.array(id).optional() }),
  z.strictObject({ kind: z.literal('pool'), weights: z.record(id, positive), exclude: z.array(id).optional() }),
]);
export type SourcePolicy = z.infer<typeof SourcePolicy>;

/** How somebody reads a value by eye: what they say to what it is, and how much that scatters, as a share of it. */
export const Eye = z.strictObject({ ratio: z.number().gt(0).max(100), spread: z.number().gt(0).max(10) });
export type Eye = z.infer<typeof Eye>;

/** How readings are to be weighed, where it is not as the guide has it. */
export const Judgement = z.strictObject({
  /** Which sources are followed, in what order or with what weight, and which are left out. */
  policy: SourcePolicy.optional(),
  /** Which names are in force. */
  treatment: id.optional(),
  /** Two taxa whose cross is a candidate too. */
  cross: z.tuple([id, id]).optional(),
  /** Who read it, and how they read a character, as their practice tells: in place of the guide's. */
  reader: z
    .strictObject({
      name: z.string().trim().min(1).max(80),
      /** How often a state is read as it is, ρ. */
      rho: z.record(id, z.number().gt(0).max(1)),
      /** Values by eye; what is measured has an error of its own. */
      eye: z.record(id, Eye).optional(),
    })
    .optional(),
});
export type Judgement = z.infer<typeof Judgement>;

/** Every number a guide may set; the defaults are explained in `docs/reasoning.md`. */
export const Settings = z.strictObject({
  words: z.record(z.enum(FREQUENCY_WORDS), share).optional(),
  reliability: z.number().gt(0).max(1).default(0.92),
  slip: z.number().min(0).max(0.2).default(0.004),
  tail: z.number().min(0).max(0.5).default(0.02),
  outside: z.number().gt(0).lt(1).default(0.02),
  secondLook: share.default(0.7),
  unrecorded: z.number().gt(0).max(1).default(0.02),
  call: z
    .strictObject({
      posterior: share.default(0.95),
      groups: z.number().int().min(0).default(3),
      survives: share.default(0.8),
      inFavour: z.number().min(0).default(0.5),
      facetGroups: z.number().int().min(0).default(1),
      school: z.enum(SCHOOLS).default('weigh'),
    })
    .prefault({}),
  /** While a form with a serious hazard is at least this probable, the notice stands. */
  danger: share.default(0.005),
  /** Readings odder than this share of the leader's own individuals are called a poor fit. */
  fit: share.default(0.02),
});
export type Settings = z.infer<typeof Settings>;

/** A word of the field, explained, with a drawing: states of a character, or a part pointed at. */
export const Term = z.strictObject({
  id,
  term: label,
  /** Other words for it. */
  also: z.array(label).optional(),
  text: z.string().min(1).max(2000),
  figure: z
    .union([
      z.strictObject({ character: id, states: z.array(id).min(1).max(4) }),
      /** A part of a plate, where no state shows it. */
      z.strictObject({ view: id, part: id }),
    ])
    .optional(),
});
export type Term = z.infer<typeof Term>;

const Named = z.strictObject({ id, label });

const Spot = z.tuple([z.number().min(-180).max(180), z.number().min(-90).max(90)]);

/** A part of the area; where it is drawn, its outline as degrees of longitude and latitude (WGS 84) in turn. */
const Region = Named.extend({ outline: z.array(Spot).min(3, 'set three points at the least').max(400).optional() });

export const Guide = z.strictObject({
  format: z.literal('plesion-guide'),
  formatVersion: z.literal(FORMATS, `this Plesion reads the formats ${FORMATS.join(' and ')}`),
  id,
  title: label,
  summary: text,
  group: label,
  area: label,
  caution: text,
  plan: z.enum(PLANS).optional(),
  /** Which character drives which trait of the plan's plates, and what its states are called there; the same ids where absent. */
  plateTraits: z.record(id, z.strictObject({ character: id, words: z.record(id, id).optional() })).optional(),
  facets: z.partialRecord(FacetName, z.array(Named).min(1)),
  taxa: z.array(Taxon).min(1).max(20000),
  characters: z.array(Character).min(1).max(2000),
  /** Characters that are not independent: γ is their correlation within a form; or each counts by a power, however many were read. */
  dependence: z.array(z.strictObject({ id, label, gamma: share, power: z.number().gt(0).max(1).optional() })),
  sources: z.array(Source).min(1),
  policy: SourcePolicy,
  scores: z.array(Score),
  occurrence: z.array(Occurrence),
  regions: z.array(Region),
  habitats: z.array(Named),
  views: z.array(Named).min(1),
  circumstances: z.array(Named).optional(),
  company: z.array(z.strictObject({ id, label, kind: z.enum(COMPANY_KINDS) })).optional(),
  treatments: z.array(Treatment).optional(),
  glossary: z.array(Term).max(2000).optional(),
  /** Photographs of its forms. */
  figures: z.array(Figure).max(5000).optional(),
  unions: z.array(Union).optional(),
  costs: z.array(Cost).optional(),
  blocks: z.array(Block).optional(),
  learned: Learned.optional(),
  /** Rules of a catch, and what rings may be put on. */
  field: FieldSection.optional(),
  /** How what is seen is inherited. */
  heredity: HereditySection.optional(),
  /** The guide that it goes on from, by its id in the station, and the version of it that is in here. */
  origin: z.strictObject({ guide: z.uuid(), version: z.number().int().min(1), title: label }).optional(),
  settings: Settings.prefault({}),
});
export type Guide = z.infer<typeof Guide>;

/** Everything of a guide that has a shape, for whoever composes shapes of it. */
export { CatchCondition } from './fieldSchema';
export { Seen } from './hereditySchema';
export { CrossValidation, Ratio } from './learnedSchema';
export { FacetName, Facets } from './terms';
export * from './vocabulary';
