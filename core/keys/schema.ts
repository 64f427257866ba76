import { z } from 'zod';
import { Facets, id, label, text } from '../guide/terms';
import { bracketed } from './brackets';
import { KEY_PROBLEMS, STATEMENT_JOINS } from './vocabulary';

/**
 * A dichotomous key as it is authored and exchanged (Plesion JSON, format version
 * 1): a rooted directed graph of couplets; a couplet offers two or more leads, a
 * lead is made of statements and leads on.
 */

/** A semicolon ends a statement, unless it stands within brackets. */
function isOneStatement(text: string): boolean {
  const isWithin = bracketed(text);
  return [...text.matchAll(/;/g)].every(({ index }) => isWithin(index));
}

const oneLine = z
  .string()
  .trim()
  .min(1, 'write what the statement says')
  .max(1000)
  .regex(/^[^\r\n]*$/, 'one statement is one line; make several of it')
  .refine(isOneStatement, 'one statement is without semicolons, but in brackets; make several of it');

/** Ties a statement to a character of the guide: the states it allows, or the values from `low` to `high`. */
export const StatementLink = z.union([
  z.strictObject({ character: id, states: z.array(id).min(1).max(64) }),
  z.strictObject({ character: id, low: z.number().optional(), high: z.number().optional() }),
]);
export type StatementLink = z.infer<typeof StatementLink>;

export const Statement = z.strictObject({
  /** Number within the couplet, through all its leads. */
  n: z.number().int().min(1),
  text: oneLine,
  /** How it stands to the one before it in the same lead; `and` where absent. */
  join: z.enum(STATEMENT_JOINS).optional(),
  link: StatementLink.optional(),
});
export type Statement = z.infer<typeof Statement>;

/** Where a lead goes on: a couplet, a name, another key, or not yet anywhere. */
export const Destination = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('couplet'), couplet: id }),
  z.strictObject({ kind: z.literal('taxon'), name: label, taxon: id.optional(), facets: Facets.optional() }),
  z.strictObject({ kind: z.literal('key'), title: label }),
  z.strictObject({ kind: z.literal('open') }),
]);
export type Destination = z.infer<typeof Destination>;

export const Lead = z.strictObject({
  /** `a`, `b`, `c` … in the order they are printed. */
  id: z.string().regex(/^[a-z]{1,2}$/),
  statements: z.array(Statement).max(60),
  to: Destination,
});
export type Lead = z.infer<typeof Lead>;

export const Couplet = z.strictObject({
  id,
  /** As printed: `12`. */
  number: z.string().regex(/^\d{1,4}$/, 'a couplet is numbered 1 to 9999'),
  leads: z.array(Lead).max(26),
  note: text.optional(),
  /** How to prepare or turn the specimen for it. */
  prepare: text.optional(),
});
export type Couplet = z.infer<typeof Couplet>;

/** Whom and where the key is for; a result beyond it is said to be beyond it. */
export const KeyScope = z.strictObject({
  taxon: id.optional(),
  regions: z.array(id).min(1).optional(),
  facets: z.partialRecord(z.enum(['stage', 'sex', 'morph', 'season']), z.array(id).min(1)).optional(),
  note: text.optional(),
});

/** No printed key is longer. */
export const MOST_COUPLETS = 5000;

export const Key = z.strictObject({
  format: z.literal('plesion-key'),
  formatVersion: z.literal(1),
  title: label,
  /** Id of the guide whose taxa and characters it names. */
  guide: id.optional(),
  source: text.optional(),
  summary: text.optional(),
  caution: text.optional(),
  scope: KeyScope.optional(),
  start: id,
  couplets: z.array(Couplet).min(1, 'a key has at least one couplet').max(MOST_COUPLETS),
});
export type Key = z.infer<typeof Key>;

/** What would put a line right: lines with what they would then say. */
export const LineMend = z.object({
  say: z.string(),
  edits: z.array(z.object({ line: z.number().int(), text: z.string() })),
});

/** What is wrong with a line of a text that is read in. */
export const LineProblem = z.object({
  /** From 1. */
  line: z.number().int(),
  code: z.string(),
  message: z.string(),
  mend: LineMend.optional(),
});
export type LineProblem = z.infer<typeof LineProblem>;

/** What is wrong, or could be better, in a key. */
export const KeyProblem = z.object({
  code: z.enum(KEY_PROBLEMS),
  message: z.string(),
  /** Does it stop a walk, or is it only untidy? */
  weight: z.enum(['fault', 'caution']),
  couplet: z.string().optional(),
  lead: z.string().optional(),
});
export type KeyProblem = z.infer<typeof KeyProblem>;

/** How short the ways of a made key are, in couplets to a name. */
export const KeyPaths = z.object({
  /** Expected by the forms' weights. */
  meanPath: z.number(),
  worstPath: z.number(),
  /** Entropy of the endings in bits (Shannon 1948): no key of two-lead couplets to them has a shorter mean path. */
  entropyBound: z.number(),
  /** The shortest mean path there is, exactly, for up to twelve forms without variation that stands in the way. */
  optimum: z.number().optional(),
  /** Taxa that nothing allowed tells apart, as they are named together at their ending. */
  together: z.array(z.array(z.string())),
  /** Set when the key would have more couplets than may be made: what is named together then could be told apart. */
  stopped: z.string().optional(),
});
export type KeyPaths = z.infer<typeof KeyPaths>;

export * from './walk/schema';
export * from './vocabulary';
