import { z } from 'zod';
import { SEX_SYSTEMS } from './heredityVocabulary';
import { id, label, share, text } from './terms';

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

/** What was seen: a state for certain; or one of several, and the chance that this was read rightly. */
export const Seen = z.union([
  state,
  z.strictObject({ states: z.array(state).min(1).max(40), certainty: z.number().gt(0).max(1).default(1) }),
]);
export type Seen = z.output<typeof Seen>;

/** A strain: how common alleles are among its founders, where they are more or less so than elsewhere. */
export const Strain = z.strictObject({
  id: label.max(80).describe('By what the book calls it.'),
  founders: z
    .record(id, z.record(z.string(), share))
    .optional()
    .describe('By locus, how common each allele is among founders of the strain; they sum to 1.'),
});
export type Strain = z.output<typeof Strain>;

/** Two strains that are kept apart. */
export const NeverMix = z.strictObject({
  strains: z.tuple([label.max(80), label.max(80)]).describe('The two strains, by id.'),
  why: text.min(1).max(400).describe('Said to whoever would pair them.'),
});
export type NeverMix = z.output<typeof NeverMix>;

const days = z.number().int().min(1).max(3650);

/** How the kinds of a guide inherit, and which of them. What is seen are its facets and characters, by their ids. */
export const HereditySection = HeredityModel.extend({
  taxon: id.optional().describe('The taxon, and what it holds; all of the guide where absent.'),
  strains: z.array(Strain).max(40).optional(),
  neverMix: z.array(NeverMix).max(80).optional().describe('Strains that are not paired but with a reason that is written down.'),
  incubation: days.optional().describe('Days from laying to hatching.'),
  toldFrom: z
    .record(id, days)
    .optional()
    .describe('Days from hatching after which it can be told: by `sex`, or by a character of this section.'),
  breedsFrom: days.optional().describe('Days from hatching after which young breed, and are separated before.'),
  weighEvery: days.optional().describe('Days after which each that is kept is weighed again.'),
});
export type HereditySection = z.output<typeof HereditySection>;
