import { kinshipsOf } from './kinship';
import type { GenotypeChance, ReadyQuestion } from './posterior';
import type { Sex } from '../guide/heredityVocabulary';
import { couplesOf, shownBy, youngOf } from './young';

/** One kind of young: its sex, and what it shows at each character. */
export interface YoungKind {
  sex: Sex;
  shows: Record<string, string>;
  /** Of one young. */
  p: number;
  /** Of a clutch: how many on average, and the chance of one at the least. */
  expected: number;
  atLeastOne: number;
}

export interface CrossOutcome {
  young: YoungKind[];
  /** What the young carry, by locus, whatever they show; the likeliest first. */
  genotypes: Record<string, GenotypeChance[]>;
  /** Coefficient of inbreeding of the young. */
  inbreeding: number;
}

/**
 * What two individuals would have together, given all records. What is not known of the parents is mixed, not guessed:
 * so the chance of one at the least in a clutch is not that of independent young.
 *
 * @param clutch young looked at, 1 or more.
 * @returns nothing where the two cannot be father and mother, or the records cannot all be true.
 */
export function crossOf(question: ReadyQuestion, father: string, mother: string, clutch: number): CrossOutcome | undefined {
  const { model, kin, placeOf } = question;
  const couples = couplesOf(question, father, mother);
  if (couples.length === 0) return undefined;
  const kinds = new Map<string, YoungKind>();
  const genotypes = model.loci.map(() => new Map<string, number>());
  for (const couple of couples) {
    const own = new Map<string, YoungKind>();
    for (const young of youngOf(model, couple)) {
      young.genotype.forEach(([a, b], l) => {
        const word = model.sayGenotype(l, a, b);
        genotypes[l].set(word, (genotypes[l].get(word) ?? 0) + couple.p * young.p);
      });
      for (const { shows, p } of shownBy(model, young)) {
        const key = JSON.stringify([young.sex, shows]);
        const known = own.get(key) ?? { sex: young.sex, shows, p: 0, expected: 0, atLeastOne: 0 };
        known.p += young.p * p;
        own.set(key, known);
      }
    }
    for (const [key, kind] of own) {
      const sum = kinds.get(key) ?? { ...kind, p: 0 };
      sum.p += couple.p * kind.p;
      sum.expected += couple.p * kind.p * clutch;
      sum.atLeastOne += couple.p * (1 - (1 - kind.p) ** clutch);
      kinds.set(key, sum);
    }
  }
  const inOrder = (all: ReadonlyMap<string, number>): GenotypeChance[] =>
    [...all].map(([genotype, p]) => ({ genotype, p })).sort((a, b) => b.p - a.p || (a.genotype < b.genotype ? -1 : 1));
  return {
    young: [...kinds].sort(([a, one], [b, other]) => other.p - one.p || (a < b ? -1 : 1)).map(([, kind]) => kind),
    genotypes: Object.fromEntries(model.loci.map(({ id }, l) => [id, inOrder(genotypes[l])])),
    inbreeding: kinshipsOf(kin).of(placeOf.get(father)!, placeOf.get(mother)!),
  };
}
