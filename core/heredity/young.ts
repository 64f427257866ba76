import { NONE, type ReadyModel } from '../guide/heredityModel';
import { type KinVariables, networkOf, solve } from './network';
import { eachTogether, type ReadyQuestion } from './posterior';
import { type Sex, SEXES } from '../guide/heredityVocabulary';

/** The alleles of an individual, by locus; where loci are linked, from its mother first. */
export type Genotype = readonly (readonly [number, number])[];

/** What both parents may be together, and how likely that is. */
export interface Couple {
  father: Genotype;
  mother: Genotype;
  p: number;
}

/** What one young may be. */
export interface Young {
  sex: Sex;
  genotype: Genotype;
  p: number;
}

/**
 * Everything that two individuals may be together, given all records, where he is a male and she a female.
 *
 * @returns nothing where that cannot be, or the records cannot all be true.
 */
export function couplesOf({ model, kin, placeOf }: ReadyQuestion, father: string, mother: string): Couple[] {
  const [his, hers] = [placeOf.get(father)!, placeOf.get(mother)!];
  const sexed = kin.map((one, i) => {
    const needed: Sex | undefined = i === his ? 'male' : i === hers ? 'female' : undefined;
    return needed
      ? { ...one, sex: { female: needed === 'female' ? one.sex.female : 0, male: needed === 'male' ? one.sex.male : 0 } }
      : one;
  });
  const both = (variables: readonly KinVariables[]) => [...variables[his].genotypes, ...variables[hers].genotypes];
  const network = networkOf(model, sexed, (variables) => [both(variables).flatMap(({ vars }) => vars)]);
  const solved = solve(network);
  if (!(solved.logSum > -Infinity)) return [];
  const couples: Couple[] = [];
  eachTogether(network, solved, both(network.kin), (pairs, p) => {
    couples.push({ father: pairs.slice(0, model.loci.length), mother: pairs.slice(model.loci.length), p });
  });
  return couples;
}

/** Every young that two may have alive, each with its chance: sexes, gametes, recombination and all. */
export function youngOf(model: ReadyModel, { father, mother }: Couple): Young[] {
  const young: Young[] = [];
  let living = 0;
  for (const sex of SEXES)
    for (const from of gametesOf(model, father, 'male', sex))
      for (const other of gametesOf(model, mother, 'female', sex)) {
        const genotype = model.loci.map((_, l) => [other.alleles[l], from.alleles[l]] as const);
        if (!model.loci.every(({ lives }, l) => lives(sex, ...genotype[l]))) continue;
        const p = 0.5 * from.p * other.p;
        living += p;
        young.push({ sex, genotype, p });
      }
  return young.map((one) => ({ ...one, p: one.p / living }));
}

/** What a parent of a sex gives to young of a sex: an allele of each locus. */
function gametesOf(model: ReadyModel, genotype: Genotype, own: Sex, to: Sex): { alleles: number[]; p: number }[] {
  let gametes: { parts: number[]; alleles: number[]; p: number }[] = [{ parts: [], alleles: [], p: 1 }];
  model.loci.forEach(({ linked, after }, l) => {
    const [m, f] = genotype[l];
    if (linked && own === model.uneven) {
      const given = to === model.uneven ? NONE : m === NONE ? f : m;
      gametes = gametes.map(({ parts, alleles, p }) => ({ parts: [...parts, 0], alleles: [...alleles, given], p }));
      return;
    }
    const r = after?.recombination[own];
    gametes = gametes.flatMap(({ parts, alleles, p }) =>
      [0, 1].flatMap((part) => {
        const share = r === undefined ? 0.5 : part === parts[after!.locus] ? 1 - r : r;
        return share > 0 ? [{ parts: [...parts, part], alleles: [...alleles, part === 0 ? m : f], p: p * share }] : [];
      }),
    );
  });
  return gametes;
}

/** What a young shows, at all characters together, each way with its chance. */
export function shownBy({ characters }: ReadyModel, { sex, genotype }: Young): { shows: Record<string, string>; p: number }[] {
  return characters.reduce<{ shows: Record<string, string>; p: number }[]>(
    (all, { id, loci, states, shows }) => {
      const shares = shows(
        sex,
        loci.map((locus) => genotype[locus]),
      );
      return all.flatMap((one) =>
        states.flatMap((state, i) => (shares[i] > 0 ? [{ shows: { ...one.shows, [id]: state }, p: one.p * shares[i] }] : [])),
      );
    },
    [{ shows: {}, p: 1 }],
  );
}
