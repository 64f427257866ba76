import { z } from 'zod';
import { FacetName, Facets, Handling, ScoreValue } from '../guide/schema';
import { FACETS, HAZARD_GRADES, HAZARD_KINDS, RANKS } from '../guide/vocabulary';

/**
 * What follows from a set of readings, as plain data: the shapes that the core
 * fills, the wire carries and the screens show. Every `p` is a probability, 0..1;
 * `bits` are base-2 logarithms of likelihood ratios; a `reading` is its place
 * among the readings given.
 */

const p = z.number().min(0).max(1);
const words = z.string();
/** Place among the readings given, from 0. */
const reading = z.number().int();

/** A question the readings can be asked: which taxon at a rank, or which value of a facet. */
export const Level = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rank'), rank: z.enum(RANKS) }),
  z.strictObject({ kind: z.literal('facet'), facet: z.enum(FACETS) }),
]);
export type Level = z.infer<typeof Level>;

/** What a finished walk through a key says, for a guide whose school is the key. */
export const Keyed = z.strictObject({
  /** The taxon it ended at. */
  taxon: z.string().min(1).max(80),
  /** Was every couplet decided, none forked or guessed? */
  decided: z.boolean(),
  /** Does the described form fit the readings? */
  fits: z.boolean(),
  /** Both in words. */
  text: z.string().max(400),
});
export type Keyed = z.infer<typeof Keyed>;

/** A group of forms at some level, and how probable it is. */
export const BeamSide = z.object({ group: z.string(), label: z.string(), p });
export type BeamSide = z.infer<typeof BeamSide>;

/** One misreading: what would have been seen instead, how plausible that is, and the probability then. */
const OneWrong = z.object({ reading, instead: z.string(), plausibility: p, p });

/** Whether one level may be named, and what it rests on. */
export const Verdict = z.object({
  level: Level,
  group: z.string(),
  label: z.string(),
  p,
  rival: BeamSide,
  /** Independent characters in favour against the rival. */
  characters: z.number(),
  charactersNeeded: z.number(),
  /** The lowest probability when one reading is left out, and which. */
  worst: z.object({ p, reading }).optional(),
  /** The single misreading that would cost this name most, weighted by its chance. */
  oneWrong: OneWrong.optional(),
  /**
   * What an error would cost here, where that asks for more than the guide's usual
   * probability: the dearest mistake, how many others there are, and Σ weight · P of them all.
   */
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
  lacks: z.array(z.enum(['posterior', 'characters', 'survives', 'cost', 'diagnostic', 'key'])),
  /** The verdict in words. */
  text: words,
  /** What *weigh* would say, where the guide follows another school. */
  weighText: words.optional(),
});
export type Verdict = z.infer<typeof Verdict>;

/** The recommended name: as fine as the evidence allows, no finer. */
export const Call = z.object({
  kind: z.enum(['taxon', 'either', 'outside', 'undetermined']),
  taxon: z.string().optional(),
  other: z.string().optional(),
  facets: Facets,
  /** Several facet values called together, where they cannot be called apart. */
  union: z.object({ id: z.string(), label: z.string(), p }).optional(),
  p,
  verdicts: z.array(Verdict),
  text: words,
  /** What a high probability rests on and cannot show by itself. */
  proviso: words.optional(),
});
export type Call = z.infer<typeof Call>;

/** One reading on the ledger. */
export const LedgerEntry = z.object({
  reading,
  character: z.string(),
  /** Bits for the left side of the beam (below 0: for the right); 0 where it is no evidence. */
  bits: z.number(),
  /** Tempering by dependence, 0..1; 0 where it is no evidence. */
  weight: z.number(),
  /** Readings with one key are not independent. */
  group: z.string(),
  /** The left side's probability without this reading. */
  without: p.optional(),
});
export type LedgerEntry = z.infer<typeof LedgerEntry>;

/** Why a character is left out of the work for now. */
export const SetAsideReason = z.enum(['view', 'distance', 'handling', 'danger', 'date', 'region', 'circumstances', 'facets']);
export type SetAsideReason = z.infer<typeof SetAsideReason>;

/** A character that cannot be used now, and why in words. */
export const SetAside = z.object({ character: z.string(), because: SetAsideReason, text: words });
export type SetAside = z.infer<typeof SetAside>;

/** What one answer to a look would do. */
export const Answer = z.object({
  /** State, count, or a value in the character's unit. */
  answer: z.string(),
  /** How probable the answer is as things stand; absent for values, which have no one probability. */
  chance: p.optional(),
  /** What would lead then, and how probable it would be. */
  group: z.string(),
  label: z.string(),
  p,
});
export type Answer = z.infer<typeof Answer>;

/** One character that has not been read, and what reading it would be worth. */
export const NextLook = z.object({
  character: z.string(),
  /** Expected drop in uncertainty at the level asked, in bits. */
  bits: z.number(),
  /** Chance that it can be read in this situation, 0..1. */
  chance: p,
  /** Cost in seconds, with turning the specimen where another view is needed. */
  seconds: z.number(),
  /** Handling it needs. */
  handling: Handling,
  /** Does it need no other view than the one last used? */
  sameView: z.boolean(),
  /** Why it cannot be read now; such looks are listed after the others. */
  setAside: SetAsideReason.optional(),
  /** What each answer would do to the standing; for the first few looks. */
  answers: z.array(Answer).optional(),
});
export type NextLook = z.infer<typeof NextLook>;

/** Two readings that cannot both be right, or that pull hard in opposite directions. */
export const Contradiction = z.object({ readings: z.tuple([reading, reading]), kind: z.enum(['same-mark', 'opposed']) });
export type Contradiction = z.infer<typeof Contradiction>;

/** How much the leader at a level depends on any one reading. */
export const Robustness = z.object({
  group: z.string(),
  label: z.string(),
  p,
  /** Independent characters that speak for it against its rival. */
  independent: z.number().int(),
  /** The leader and its probability without each reading that is evidence. */
  without: z.array(z.object({ reading, p, leader: z.string(), label: z.string() })),
  /** The worst single misreading, weighted by how plausible it is. */
  oneWrong: OneWrong.extend({ leader: z.string(), label: z.string() }).optional(),
  contradictions: z.array(Contradiction),
  /** All of it in a sentence. */
  text: words,
});
export type Robustness = z.infer<typeof Robustness>;

/** How ordinary the readings are for the form that leads. */
export const Fit = z.object({
  form: z.string(),
  /** Share of the form's own individuals whose readings would be as odd or odder, 0..1. */
  tail: p,
  /** Below the guide's `fit`: a poor fit. */
  poor: z.boolean(),
  /** Not poor, but met with in less than one of ten of its own kind. */
  unusual: z.boolean(),
});
export type Fit = z.infer<typeof Fit>;

/** A dangerous form that is still possible. */
export const Danger = z.object({
  taxon: z.string(),
  name: z.string(),
  kind: z.enum(HAZARD_KINDS),
  grade: z.enum(HAZARD_GRADES),
  p,
  threshold: p,
  /** The author's caution. */
  text: words,
  /** What to do about it, in words that promise nothing. */
  advice: words,
  legal: z.string().optional(),
});
export type Danger = z.infer<typeof Danger>;

/** A famous or striking character that does not separate the two sides. */
export const Trap = z.object({ character: z.string(), overlap: p, text: words });
export type Trap = z.infer<typeof Trap>;

/** A cell that matters here and on which sources contradict each other. */
export const Dispute = z.object({
  character: z.string(),
  /** Taxa it is about. */
  taxa: z.array(z.string()),
  overlap: p,
  /** Was it read on this specimen? */
  read: z.boolean(),
  /** What each source says, and the leading group's probability if it were followed. */
  said: z.array(z.object({ source: z.string(), label: z.string(), value: ScoreValue, p: p.optional() })),
});
export type Dispute = z.infer<typeof Dispute>;

/** A cross that is a candidate: the share of the first parent's ancestry, posterior mean and standard deviation. */
export const Ancestry = z.object({
  taxon: z.string(),
  parents: z.tuple([z.string(), z.string()]),
  p,
  share: p,
  spread: z.number(),
});
export type Ancestry = z.infer<typeof Ancestry>;

/** The fewest characters that would usually settle the leading pair. */
export const Settling = z.object({
  characters: z.array(z.string()),
  /** Bits they bring on average if the leader is right. */
  bits: z.number(),
  /** Bits still missing to the guide's posterior. */
  missing: z.number(),
  /** Do they reach it? */
  reaches: z.boolean(),
});
export type Settling = z.infer<typeof Settling>;

/** The whole answer to a set of readings. */
export const Standing = z.object({
  forms: z.array(z.object({ form: z.string(), taxon: z.string(), facets: Facets, p })),
  taxa: z.array(z.object({ taxon: z.string(), name: z.string(), rank: z.enum(RANKS), p })),
  facets: z.array(z.object({ facet: FacetName, values: z.array(z.object({ value: z.string(), label: z.string(), p })) })),
  /** P of what is not in the guide. */
  outside: p,
  /** The level the beam stands at: the first rank that cannot be named yet, else the finest that can. */
  level: Level,
  /** The level the next looks would settle: the first that cannot be named yet, facets included. */
  nextLevel: Level,
  /** The two sides of the beam; `enough`: bits at which the left side alone would reach the guide's posterior. */
  beam: z.object({ left: BeamSide, right: BeamSide, start: z.number(), sum: z.number(), enough: z.number() }),
  ledger: z.array(LedgerEntry),
  call: Call,
  nextLooks: z.array(NextLook),
  /** Set when the leader at the level in question is such only by map, date or abundance. */
  mapOnly: z.object({ without: z.string(), label: z.string() }).optional(),
  robustness: Robustness,
  fit: Fit.extend({ text: words }),
  /** Characters left out for now, and why. */
  setAside: z.array(SetAside),
  /** Dangerous forms still possible, worst first. */
  hazards: z.array(Danger),
  /** Are close characters withheld for their sake, and why or why not? */
  withheld: z.object({ close: z.boolean(), reason: words.optional() }),
  traps: z.array(Trap),
  disagreements: z.array(Dispute),
  /** Share of ancestry of the crosses that are candidates. */
  crosses: z.array(Ancestry),
  settling: Settling.optional(),
});
export type Standing = z.infer<typeof Standing>;
