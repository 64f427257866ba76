import { z } from 'zod';
import { HeredityModel, Seen, Strain } from '../guide/hereditySchema';
import { id, share } from '../guide/terms';
import { SEPARATED } from './separated';

export { HeredityModel, Seen, SEPARATED };
export type { Separated } from './separated';

const name = z.string().min(1).max(120);

/** A parent that may be one of several: who, with what weight beside the others; `null` for somebody not in the book. */
export const Candidate = z.strictObject({ id: name.nullable(), weight: z.number().positive().default(1) });

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
  /** Of a founder, or of young whose parents are not known: by what alleles are common among its like. */
  strain: z.string().max(80).optional(),
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
  /** Strains whose founders have alleles more or less often than the model says. */
  strains: z.array(Strain).max(40).optional(),
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

const telling = z.strictObject({ character: id, state: z.string().max(60) });
/** Young that show something, or what young would tell of a hidden gene of either parent. */
export const PairGoal = z.union([
  z.strictObject({ shows: telling, sex: z.enum(['female', 'male']).optional() }),
  z.strictObject({ locus: id, allele: z.string().max(24), shows: telling }),
]);
export type PairGoal = z.output<typeof PairGoal>;

export const PairsRequest = z.strictObject({
  ...asked,
  fathers: z.array(name).min(1).max(60),
  mothers: z.array(name).min(1).max(60),
  goal: PairGoal,
  clutch: z.number().int().min(1).max(10_000).default(1),
});
export type PairsRequest = z.output<typeof PairsRequest>;

export const ReasonsRequest = z.strictObject({ ...asked, id: name, locus: id });
export type ReasonsRequest = z.output<typeof ReasonsRequest>;

/** One thing that was written down of an individual, and may be wrong. */
export const HeredityRecord = z.union([
  z.object({ id: z.string(), what: z.enum(['sex', 'father', 'mother']) }),
  z.object({ id: z.string(), what: z.literal('phenotype'), character: z.string() }),
]);
export type HeredityRecord = z.output<typeof HeredityRecord>;

export const UnlikelyRequest = z.strictObject({
  ...asked,
  of: z.array(name).max(2000).optional(),
  /** Records that are left out as wrong; where absent, those that are the likeliest to be, if not all can be true. */
  without: z.array(HeredityRecord).max(400).optional(),
});
export type UnlikelyRequest = z.output<typeof UnlikelyRequest>;

export const SIM_RULES = ['random', 'least-kin', 'show'] as const;
/** Generations bred by a rule. */
export const BreedingPlan = z.strictObject({
  rule: z.enum(SIM_RULES).default('random'),
  /** What is bred for by the rule `show`. */
  goal: telling.optional(),
  pairs: z.number().int().min(1).max(20).default(4),
  clutch: z.number().int().min(1).max(20).default(6),
  generations: z.number().int().min(1).max(10).default(5),
  runs: z.number().int().min(1).max(500).default(100),
  /** The same seed plays the same. */
  seed: z.string().max(80).default('1'),
});
export type BreedingPlan = z.output<typeof BreedingPlan>;

export const SimulateRequest = z.strictObject({ ...asked, ...BreedingPlan.shape, from: z.array(name).min(1).max(120) });
export type SimulateRequest = z.output<typeof SimulateRequest>;

export const SuspectsRequest = z.strictObject({
  ...asked,
  group: z
    .array(z.strictObject({ id: name, weight: z.number().positive().default(1) }))
    .min(1, 'say who is in the group')
    .max(60),
  role: z.enum(['mother', 'father']).default('mother'),
  /** What that of which nobody knows whose it is shows, where it has grown to something. */
  phenotypes: z.record(id, Seen).default({}),
  /** How likely a sex is wrong that was written as certain: who lays an egg is no male, whatever it was called. */
  sexError: z.number().min(0).lt(1).default(0),
  /** What came of keeping members alone. */
  separated: z
    .array(z.strictObject({ id: name, found: z.enum(SEPARATED) }))
    .max(400)
    .default([]),
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

/** Records left out because not all can be true: those that are the likeliest to be wrong. */
const without = { without: z.array(HeredityRecord).optional() };

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
  /**
   * Where they cannot: of each matter, by number, the smallest sets of records that must be wrong, the likeliest first. The
   * chances are told as if the first of each matter had not been written.
   */
  impossible: z
    .array(z.object({ matter: z.number().int(), records: z.array(HeredityRecord), p: chance, why: z.string() }))
    .optional(),
});
export type PosteriorAnswer = z.output<typeof PosteriorAnswer>;

export const CrossAnswer = z.object({
  ...without,
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
  ...without,
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

export const ReasonsAnswer = z.object({
  ...without,
  reasons: z.array(z.object({ record: HeredityRecord, bits: z.number().min(0), without: z.array(GenotypeChance) })),
});
export type ReasonsAnswer = z.output<typeof ReasonsAnswer>;

export const UnlikelyAnswer = z.object({
  ...without,
  /** Records that can be true and are likelier wrong than right, with the chance that they are wrong. */
  records: z.array(z.object({ record: HeredityRecord, p: chance })),
});
export type UnlikelyAnswer = z.output<typeof UnlikelyAnswer>;

const spread = z.object({ mean: z.number(), low: z.number(), high: z.number() });
export const SimulateAnswer = z.object({
  ...without,
  generations: z.array(
    z.object({
      runs: z.number().int(),
      young: spread,
      inbreeding: spread,
      alleles: z.array(z.object({ locus: z.string(), allele: z.string(), frequency: spread })),
      shows: z.array(z.object({ character: z.string(), state: z.string(), share: spread })),
    }),
  ),
});
export type SimulateAnswer = z.output<typeof SimulateAnswer>;

export const PairsAnswer = z.object({
  ...without,
  pairs: z.array(
    z.object({
      father: z.string(),
      mother: z.string(),
      p: chance,
      expected: z.number().min(0),
      atLeastOne: chance,
      bits: z.number().min(0).optional(),
      inbreeding: chance,
    }),
  ),
});
export type PairsAnswer = z.output<typeof PairsAnswer>;

export const SuspectsAnswer = z.object({
  ...without,
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
