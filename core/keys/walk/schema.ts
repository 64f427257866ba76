import { z } from 'zod';
import { Reading, Readings } from '../../observation/schema';
import { CERTAINTIES } from '../../observation/vocabulary';
import { SCHOOLS } from '../../guide/vocabulary';
import { STATEMENT_ANSWERS } from '../vocabulary';

/**
 * A walk through a key: what is asked, what is kept, and how it stands. Every `p`
 * is a probability, 0..1; `bits` are base-2 logarithms of likelihood ratios.
 */

const p = z.number().min(0).max(1);
const id = z.string().min(1).max(80);

/** What a person said of one statement, and on which specimen of a lot it was seen. */
export const StatementSaid = z.strictObject({
  n: z.number().int().min(1),
  answer: z.enum(STATEMENT_ANSWERS),
  specimen: id.optional(),
  /** A number measured for a statement that is tied to no character. */
  value: z.number().optional(),
  error: z.number().min(0).optional(),
});
export type StatementSaid = z.infer<typeof StatementSaid>;

/** What a person decided at one couplet. */
export const CoupletAnswer = z.strictObject({
  couplet: id,
  /** The lead taken: its letter, or its number from 1. */
  lead: z.union([id, z.number().int().min(1)]).optional(),
  /** Cannot decide: both ways, weighed by the support (`true`) or as given, one weight a lead. */
  fork: z.union([z.literal(true), z.array(z.number().min(0)).min(1).max(26)]).optional(),
  /** How sure the decision is; sure where absent. */
  certainty: z.enum(CERTAINTIES).optional(),
  statements: z.array(StatementSaid).max(200).optional(),
  note: z.string().max(2000).optional(),
});
export type CoupletAnswer = z.infer<typeof CoupletAnswer>;

/** A walk as it is kept with a specimen or a lot: the key at its version, and what was answered. */
export const KeptWalk = z.strictObject({
  keyId: z.uuid(),
  keyVersion: z.number().int().min(1),
  /** Couplet it began at, where not at the start. */
  start: id.optional(),
  answers: z.array(CoupletAnswer).max(5000),
});
export type KeptWalk = z.infer<typeof KeptWalk>;

/** A specimen that is keyed, alone or in a lot, with what was read of it. */
export const KeyedSpecimen = z.strictObject({ id, label: z.string().max(120).optional(), readings: Readings });
export type KeyedSpecimen = z.infer<typeof KeyedSpecimen>;

/** What is known of one statement: what was ticked, or what readings say of it. */
export const Finding = z.object({
  n: z.number().int(),
  answer: z.enum([...STATEMENT_ANSWERS, 'undecided']),
  /** How far it fits, 0..1; absent where it is no evidence. */
  fit: p.optional(),
  /** In words: "5.7 ± 0.1 mm: below 6, this statement fails". */
  said: z.string().optional(),
  /** Ticked by the person, or read off the readings. */
  from: z.enum(['person', 'reading']),
  specimen: z.string().optional(),
});
export type Finding = z.infer<typeof Finding>;

/** How a lead stands: bits of support by its statements, and the probability that it is the right one. */
export const LeadStanding = z.object({ lead: z.string(), support: z.number(), p, findings: z.array(Finding) });
export type LeadStanding = z.infer<typeof LeadStanding>;

/** One couplet that was answered, in the order walked. */
export const TrailStep = z.object({
  couplet: z.string(),
  number: z.string(),
  /** The lead taken; absent where it was forked. */
  lead: z.string().optional(),
  forked: z.boolean(),
  certainty: z.enum(CERTAINTIES).optional(),
  leads: z.array(LeadStanding),
  note: z.string().optional(),
});
export type TrailStep = z.infer<typeof TrailStep>;

export const KeyEndpoint = z.object({
  /** The guide's taxon, or the name as printed where the guide does not know it. */
  taxon: z.string(),
  name: z.string(),
  /** P of ending here, by the way walked and what may have been misread in it. */
  p,
  /** P by the readings alone among the endings of the key, where a guide stands behind it. */
  byReadings: p.optional(),
});
export type KeyEndpoint = z.infer<typeof KeyEndpoint>;

/** Where one might have gone wrong, and where the other lead would have led. */
export const Misstep = z.object({
  couplet: z.string(),
  number: z.string(),
  taken: z.string(),
  instead: z.string(),
  /** The best ending beyond the other lead. */
  taxon: z.string(),
  name: z.string(),
  /** P(this couplet was misread | what is known of it), 0..1. */
  p,
  /** How much better the readings fit there, in bits; below 0 they fit worse. */
  bits: z.number(),
  text: z.string(),
});
export type Misstep = z.infer<typeof Misstep>;

/** One thing read, held against what the guide says of the ending. */
export const BackCheckItem = z.object({
  character: z.string().optional(),
  label: z.string(),
  /** The statement it answers, where it stands in the trail. */
  couplet: z.string().optional(),
  n: z.number().int().optional(),
  specimen: z.string().optional(),
  said: z.string(),
  verdict: z.enum(['agrees', 'seldom', 'against', 'not-scored']),
  /** How ordinary it is for the ending, 0..1. */
  p: p.optional(),
});
export type BackCheckItem = z.infer<typeof BackCheckItem>;

/** The specimen's readings against the described form. */
export const BackCheck = z.object({
  taxon: z.string(),
  name: z.string(),
  items: z.array(BackCheckItem),
  agrees: z.number().int(),
  against: z.number().int(),
  /** Did anything that was read or ticked agree with it, and nothing speak against it? Nothing looked at is not a fit. */
  fits: z.boolean(),
  text: z.string(),
});
export type BackCheck = z.infer<typeof BackCheck>;

/** May the ending be given as the name, under the guide's school? */
export const KeyCall = z.object({ allowed: z.boolean(), school: z.enum(SCHOOLS), text: z.string() });
export type KeyCall = z.infer<typeof KeyCall>;

/** How a walk through a key stands. */
export const Walk = z.object({
  /** The couplet to decide next; null when every way that is open has ended. */
  at: z.string().nullable(),
  /** How the leads of that couplet stand before it is decided. */
  here: z.array(LeadStanding).optional(),
  /** Other couplets left open by forks. */
  open: z.array(z.object({ couplet: z.string(), p: z.number() })),
  trail: z.array(TrailStep),
  endpoints: z.array(KeyEndpoint),
  /** P of ending nowhere: open leads, couplets that do not exist, circles. */
  lost: z.number(),
  /** The ending the decided way has come to. */
  reached: KeyEndpoint.optional(),
  missteps: z.array(Misstep),
  backCheck: BackCheck.optional(),
  call: KeyCall.optional(),
  /** What lies beyond the key's group or area. */
  beyond: z.array(z.string()),
  /** Readings of each specimen with those that follow from ticked statements. */
  readings: z.array(z.object({ specimen: z.string(), readings: z.array(Reading) })),
});
export type Walk = z.infer<typeof Walk>;
