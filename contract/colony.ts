import {
  BreedingPlan,
  CrossAnswer,
  HeredityRecord,
  PairGoal,
  PosteriorAnswer,
  ProofAnswer,
  ReasonsAnswer,
  SimulateAnswer,
  SuspectsAnswer,
  UnlikelyAnswer,
} from '@plesion/core/heredity/schema';
import { z } from 'zod';
import { Pairing } from './pairings';
import { Pen } from './pens';
import { Kept } from '@plesion/core/colony/schema';
import { Day } from '@plesion/core/observation/schema';

/** One of the book, with what it carries as far as the records tell. */
export const ColonyMember = z.object({
  id: z.uuid(),
  version: z.number().int(),
  label: z.string(),
  kept: Kept,
  note: z.string().optional(),
  /** By what it is called in answers of heredity: its label, made the only one of its kind. */
  name: z.string(),
});
export type ColonyMember = z.output<typeof ColonyMember>;

export const Colony = z.object({
  members: z.array(ColonyMember),
  /** Who was put together, the latest first. */
  pairings: z.array(Pairing),
  /** None in what an earlier version answered, which a device may still hold. */
  pens: z.array(Pen).default([]),
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

/** As what a book is written to a file, and read from one. */
export const BookFormat = z.enum(['csv', 'linkage', 'pairings']);
export type BookFormat = z.output<typeof BookFormat>;

export const BookQuery = z.strictObject({
  as: BookFormat.optional(),
  /** Whose states are the phenotype of a pedigree file; the first of the guide where absent. */
  character: z.string().max(80).optional(),
});

export type BookQuery = z.output<typeof BookQuery>;

export const BookImport = z.strictObject({
  as: BookFormat,
  text: z.string().max(1_000_000, 'send a file of up to a million letters'),
  character: z.string().max(80).optional(),
  /** Write them down; else only say what would be. */
  take: z.boolean().default(false),
});
export type BookImport = z.output<typeof BookImport>;

/** What a file would bring, or brought. Whoever is in the book already stays as it stands there. */
export const BookImported = z.object({
  added: z.array(z.string()),
  /** In the book already, the same; and otherwise. */
  same: z.array(z.string()),
  otherwise: z.array(z.string()),
  problems: z.array(z.object({ line: z.number().int(), column: z.string(), message: z.string() })),
  taken: z.boolean(),
});
export type BookImported = z.output<typeof BookImported>;

/** What of a pedigree is drawn, and as what. */
export const PedigreeQuery = z.strictObject({
  as: z.enum(['svg', 'pdf']).optional(),
  /** Only the line of this one. */
  of: z.uuid().optional(),
  toward: z.enum(['ancestors', 'descendants']).optional(),
  /** Ids, by commas, whose young are left out. */
  folded: z.string().max(4000).optional(),
  /** Shaded by who carries an allele: its locus and its id, with a space between them. */
  carries: z
    .string()
    .max(120)
    .regex(/^\S+ \S+$/, 'write a locus and an allele, with a space between them')
    .optional(),
});
export type PedigreeQuery = z.output<typeof PedigreeQuery>;

export const PairWrite = z.strictObject({
  father: z.uuid(),
  mother: z.uuid(),
  clutch: z.number().int().min(1).max(1000).default(1),
});
export type PairWrite = z.output<typeof PairWrite>;
export const PairAnswer = CrossAnswer;

/** Which of those that are here would do best together? */
export const PairsWrite = z.strictObject({
  goal: PairGoal,
  clutch: z.number().int().min(1).max(1000).default(1),
  /** Young no more inbred than this. */
  mostInbred: z.number().min(0).max(1).optional(),
  /** Only pairs whose young would be of one strain. */
  pure: z.boolean().default(false),
});
export type PairsWrite = z.output<typeof PairsWrite>;

export const RankedPairs = z.object({
  pairs: z.array(
    z.object({
      father: z.uuid(),
      mother: z.uuid(),
      p: z.number(),
      expected: z.number(),
      atLeastOne: z.number(),
      bits: z.number().optional(),
      inbreeding: z.number(),
      /** The share of each strain in their young. */
      shares: z.record(z.string(), z.number()),
      /** Why they are not paired, where the guide keeps their strains apart. */
      apart: z.array(z.string()),
    }),
  ),
  /** Pairs that were looked at, and how many of them were left out as too inbred, or of two strains. */
  looked: z.number().int(),
  inbred: z.number().int(),
  mixed: z.number().int(),
  /** Records left out because not all can be true. */
  without: z.array(HeredityRecord).optional(),
});
export type RankedPairs = z.output<typeof RankedPairs>;

/** Does it carry an allele unseen? Asked of all that could be its mates. */
export const ProveWrite = z.strictObject({
  individual: z.uuid(),
  locus: z.string().max(80),
  allele: z.string().max(24),
  /** By what a young would tell. */
  shows: z.strictObject({ character: z.string().max(80), state: z.string().max(80) }),
  sure: z.number().gt(0).lt(1).default(0.95),
});
export type ProveWrite = z.output<typeof ProveWrite>;
export const ProveAnswer = ProofAnswer;

/** Generations bred by a rule from some of the book, or from all that are here. */
export const SimulateWrite = BreedingPlan.extend({ from: z.array(z.uuid()).min(1).max(120).optional() });
export type SimulateWrite = z.output<typeof SimulateWrite>;
export const BookAhead = SimulateAnswer;
export type BookAhead = z.output<typeof BookAhead>;

/** Which records make what one carries what it is. */
export const ReasonsWrite = z.strictObject({ individual: z.uuid(), locus: z.string().max(80) });
export type ReasonsWrite = z.output<typeof ReasonsWrite>;
export const BookReasons = ReasonsAnswer;

export const SexingWrite = z.strictObject({ individual: z.uuid() });
export type SexingWrite = z.output<typeof SexingWrite>;

/** Of which sex one is by its marks, by the guide and as those of its strain have them. */
export const MemberSexing = z.object({
  /** P of a female; absent where no mark was read, or the guide does not tell the sexes apart. */
  female: z.number().optional(),
  /** The same by the guide alone. */
  books: z.number().optional(),
  /** What each mark says with all others, log2 of the odds of a female; and whether our own records weigh it. */
  marks: z.array(z.object({ character: z.string(), bits: z.number(), ours: z.boolean() })),
  /** Specimens of its strain whose sex is known. */
  known: z.number().int(),
});
export type MemberSexing = z.output<typeof MemberSexing>;

/** Records of a book that can be true and are likelier wrong than right. */
export const BookUnlikely = UnlikelyAnswer;
export type BookUnlikely = z.output<typeof BookUnlikely>;

/** Who is in a pen now, or was taken from it on this day or later to be kept alone: whose is an egg that lay there? */
export const EggWrite = z.strictObject({ pen: z.string().trim().min(1, 'say the pen').max(80), since: Day });
export type EggWrite = z.output<typeof EggWrite>;
export const EggAnswer = SuspectsAnswer;
