import { z } from 'zod';
import { id, label, share } from '../guide/terms';
import { SEX_SYSTEMS } from './vocabulary';

/** An allele of a locus, and how common it is among those of whose parents nothing is known. */
export const Allele = z.strictObject({
  id: z
    .string()
    .min(1)
    .max(24)
    .regex(/^[^/\s]+$/, 'use no space and no “/”'),
  label: label.optional(),
  frequency: share,
});
export type Allele = z.output<typeof Allele>;

/** The share of recombinants in what a parent gives, by the parent's sex. */
export const Recombination = z.strictObject({ male: z.number().min(0).max(0.5), female: z.number().min(0).max(0.5) });

export const Locus = z.strictObject({
  id,
  label: label.optional(),
  inheritance: z.enum(['autosomal', 'sex-linked']),
  alleles: z.array(Allele).min(2, 'a locus has two alleles at the least').max(8),
  /** Alleles from the most dominant to the most recessive: then the locus is seen as a character of its own, by the allele that shows. */
  dominance: z.array(z.string()).optional(),
  /** Genotypes, such as `S/S`, that do not live to be recorded. */
  lethal: z.array(z.string().max(60)).max(40).optional(),
  /** The locus before it on the same chromosome, and the recombination between the two. */
  after: z.strictObject({ locus: id, recombination: Recombination }).optional(),
});
export type Locus = z.output<typeof Locus>;

/** What a genotype must be: carry an allele, carry no other, or be just this. */
export const GenotypeTest = z.union([
  z.strictObject({ has: z.string() }),
  z.strictObject({ only: z.string() }),
  z.strictObject({ is: z.string() }),
]);
export type GenotypeTest = z.output<typeof GenotypeTest>;

/** A state as keepers write it: also the name of an allele, such as `+`. */
const state = z.string().min(1).max(60);

/** What is shown where all tests of a rule are met; shares where not all of them show the same (penetrance). */
export const ExpressionRule = z.strictObject({
  where: z.record(id, GenotypeTest).default({}),
  sex: z.enum(['female', 'male']).optional(),
  shows: z.union([state, z.record(state, share)]),
});
export type ExpressionRule = z.output<typeof ExpressionRule>;

/** A character by which genotypes are seen: the first rule that is met holds. */
export const Expression = z.strictObject({ id, loci: z.array(id).min(1).max(4), rules: z.array(ExpressionRule).min(1).max(200) });
export type Expression = z.output<typeof Expression>;

/** How a kind inherits. */
export const HeredityModel = z.strictObject({
  /** Which sex has two different sex chromosomes: the female (ZW) or the male (XY). */
  system: z.enum(SEX_SYSTEMS).default('ZW'),
  loci: z.array(Locus).min(1, 'say one locus at the least').max(12),
  characters: z.array(Expression).max(24).default([]),
});
export type HeredityModel = z.output<typeof HeredityModel>;

const name = z.string().min(1).max(120);

/** A parent that may be one of several: who, with what weight beside the others; `null` for somebody not in the book. */
export const Candidate = z.strictObject({ id: name.nullable(), weight: z.number().positive().default(1) });

/** What was seen: a state for certain; or one of several, and the chance that this was read rightly. */
export const Seen = z.union([
  state,
  z.strictObject({ states: z.array(state).min(1).max(40), certainty: z.number().gt(0).max(1).default(1) }),
]);
export type Seen = z.output<typeof Seen>;

export const Kin = z.strictObject({
  id: name,
  sex: z
    .union([
      z.enum(['female', 'male']),
      z.strictObject({ called: z.enum(['female', 'male']), certainty: z.number().gt(0).max(1) }),
    ])
    .optional(),
  father: name.optional(),
  fathers: z.array(Candidate).min(2).max(24).optional(),
  mother: name.optional(),
  mothers: z.array(Candidate).min(2).max(24).optional(),
  /** By character, or by locus where its dominance makes it one. */
  phenotypes: z.record(id, Seen).default({}),
  /** It never lived to be recorded, such as an egg that did not hatch: then lethal genotypes are possible. */
  died: z.literal('before hatching').optional(),
});
export type Kin = z.output<typeof Kin>;

export const Pedigree = z.array(Kin).min(1, 'say one individual at the least').max(2000);
export type Pedigree = z.output<typeof Pedigree>;

/** Everything that is worked out is asked of a model and a pedigree. */
const asked = {
  ...HeredityModel.shape,
  /** Frequencies of alleles among founders, by locus, where they are others than the model's. */
  founders: z.record(id, z.record(z.string(), share)).optional(),
  individuals: Pedigree,
};

export const PosteriorRequest = z.strictObject({
  ...asked,
  /** Sets of individuals and loci whose genotypes are asked for together. */
  ask: z
    .array(
      z
        .array(z.strictObject({ id: name, locus: id }))
        .min(1)
        .max(6),
    )
    .max(20)
    .default([]),
});
export type PosteriorRequest = z.output<typeof PosteriorRequest>;

export const CrossRequest = z.strictObject({
  ...asked,
  father: name,
  mother: name,
  clutch: z.number().int().min(1).max(10_000).default(1),
});
export type CrossRequest = z.output<typeof CrossRequest>;

export const ProofRequest = z.strictObject({
  ...asked,
  id: name,
  locus: id,
  allele: z.string(),
  /** A young that shows this tells that its parent carries the allele. */
  shows: z.strictObject({ character: id, state: z.string() }),
  mates: z.array(name).min(1).max(200),
  sure: z.number().gt(0).lt(1).default(0.95),
});
export type ProofRequest = z.output<typeof ProofRequest>;

export const SuspectsRequest = z.strictObject({
  ...asked,
  group: z
    .array(z.strictObject({ id: name, weight: z.number().positive().default(1) }))
    .min(1, 'say who is in the group')
    .max(60),
  role: z.enum(['mother', 'father']).default('mother'),
  /** What that of which nobody knows whose it is shows, where it has grown to something. */
  phenotypes: z.record(id, Seen).default({}),
});
export type SuspectsRequest = z.output<typeof SuspectsRequest>;

/** Parents alone. */
export const KinshipRequest = z.strictObject({
  individuals: z
    .array(Kin.pick({ id: true, father: true, fathers: true, mother: true, mothers: true }))
    .min(1, 'say one individual at the least')
    .max(2000),
});
export type KinshipRequest = z.output<typeof KinshipRequest>;

const chance = z.number().min(0).max(1.000001);
export const GenotypeChance = z.object({ genotype: z.string(), p: chance });
const parents = z.array(z.object({ id: z.string().nullable(), p: chance })).optional();

export const HeredityRecord = z.object({
  id: z.string(),
  what: z.enum(['sex', 'father', 'mother', 'phenotype']),
  character: z.string().optional(),
});

export const PosteriorAnswer = z.object({
  individuals: z.array(
    z.object({
      id: z.string(),
      sexP: z.object({ female: chance, male: chance }),
      genotypes: z.record(z.string(), z.array(GenotypeChance)),
      fathers: parents,
      mothers: parents,
    }),
  ),
  /** Natural logarithm; absent where the records cannot all be true. */
  logLikelihood: z.number().optional(),
  together: z.array(z.array(z.object({ genotypes: z.array(z.string()), p: chance }))),
  /** Where they cannot: the smallest sets of records that must be wrong, the likeliest first. */
  impossible: z.array(z.object({ records: z.array(HeredityRecord), p: chance, why: z.string() })).optional(),
});
export type PosteriorAnswer = z.output<typeof PosteriorAnswer>;

export const CrossAnswer = z.object({
  young: z.array(
    z.object({
      sex: z.enum(['female', 'male']),
      shows: z.record(z.string(), z.string()),
      p: chance,
      expected: z.number().min(0),
      atLeastOne: chance,
    }),
  ),
  genotypes: z.record(z.string(), z.array(GenotypeChance)),
  inbreeding: chance,
});
export type CrossAnswer = z.output<typeof CrossAnswer>;

export const ProofAnswer = z.object({
  mates: z.array(
    z.object({
      mate: z.string(),
      carrier: chance,
      telling: z.number().min(1).optional(),
      young: z.number().int().min(0).optional(),
      found: z.array(chance),
    }),
  ),
});
export type ProofAnswer = z.output<typeof ProofAnswer>;

export const SuspectsAnswer = z.object({
  members: z.array(z.object({ id: z.string(), p: chance })),
  separations: z.number().min(0),
});
export type SuspectsAnswer = z.output<typeof SuspectsAnswer>;

export const KinshipAnswer = z.object({
  /** Coefficient of inbreeding of each, in the order asked. */
  inbreeding: z.array(z.object({ id: z.string(), f: chance })),
  /** Pairs that are kin, with their coefficient of kinship. */
  kinship: z.array(z.object({ of: z.tuple([z.string(), z.string()]), phi: chance })),
});
export type KinshipAnswer = z.output<typeof KinshipAnswer>;
