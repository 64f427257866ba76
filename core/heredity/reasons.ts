import { nearOf, stepsFrom } from './around';
import { type GenotypeChance, posteriorOf, type ReadyQuestion } from './posterior';
import { recordsOf, withoutRecords } from './records';
import type { HeredityRecord } from './schema';

/** A record that makes a genotype likelier or less likely. */
export interface Reason {
  record: HeredityRecord;
  /** How far the chances are from what they would be had it not been written, in bits. */
  bits: number;
  /** What they would be then, the likeliest first. */
  without: GenotypeChance[];
}

/** Records of kin no more steps away than so many are looked at, and no more than so many. */
const STEPS = 2;
const MOST = 40;
/** What says less is not told. */
const LEAST = 0.005;

/**
 * The records that make what somebody carries what it is: each is left out in turn, all others kept, and the divergence
 * of the chances from those without it is told (Kullback & Leibler 1951). Those of two records that say the same are
 * small, for either is enough.
 *
 * @returns the weightiest first; nothing where the records cannot all be true.
 * @throws {TooTangled} where the pedigree cannot be worked out exactly.
 */
export function reasonsOf(question: ReadyQuestion, id: string, locus: string): Reason[] {
  const chancesOf = (asked: ReadyQuestion): GenotypeChance[] =>
    posteriorOf(asked, [{ id, phenotypes: {} }]).individuals.at(0)?.genotypes[locus] ?? [];
  const now = chancesOf(question);
  if (!now.length) return [];
  const { kin, placeOf } = question;
  const steps = stepsFrom(nearOf(kin), [placeOf.get(id)!], STEPS);
  const stepsTo = (record: HeredityRecord) => steps.get(placeOf.get(record.id)!);
  return recordsOf(question)
    .filter((record) => stepsTo(record) !== undefined)
    .sort((a, b) => stepsTo(a)! - stepsTo(b)!)
    .slice(0, MOST)
    .map((record): Reason => {
      const without = chancesOf({ ...question, kin: withoutRecords(question, [record]) });
      const then = new Map(without.map(({ genotype, p }) => [genotype, p]));
      const bits = now.reduce((sum, { genotype, p }) => sum + (p > 0 ? p * Math.log2(p / then.get(genotype)!) : 0), 0);
      return { record, bits, without };
    })
    .filter(({ bits }) => bits >= LEAST)
    .sort((a, b) => b.bits - a.bits);
}
