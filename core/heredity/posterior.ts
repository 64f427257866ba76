import { done, type Outcome } from '../problem';
import { NONE, type ReadyModel, readyModel } from '../guide/heredityModel';
import { type GenotypeVariables, type KinVariables, type Network, networkOf, solve } from './network';
import { type Frequencies, type ReadyKin, readyPedigree } from './pedigree';
import type { Propagated } from './propagate';
import type { HeredityModel, Strain } from '../guide/hereditySchema';
import type { Pedigree } from './schema';
import { type Sex, SEXES } from '../guide/heredityVocabulary';

export interface GenotypeChance {
  genotype: string;
  p: number;
}

export interface KinPosterior {
  id: string;
  sexP: Record<Sex, number>;
  /** By locus, the likeliest first; those that cannot be are left out. */
  genotypes: Record<string, GenotypeChance[]>;
  /** Where it is not known which of several is a parent: each with its chance, the likeliest first. */
  fathers?: { id: string | null; p: number }[];
  mothers?: { id: string | null; p: number }[];
}

/** Individuals and loci whose genotypes are asked for together. */
export type Together = readonly { id: string; locus: string }[];

export interface PedigreePosterior {
  individuals: KinPosterior[];
  /** Natural logarithm of the chance of all records as they stand; absent where they cannot all be true. */
  logLikelihood?: number;
  /** For each set that was asked for: combinations of genotypes, the likeliest first. */
  together: { genotypes: string[]; p: number }[][];
}

/** A model and a pedigree made ready, in which more can be asked. */
export interface ReadyQuestion {
  model: ReadyModel;
  kin: ReadyKin[];
  placeOf: ReadonlyMap<string, number>;
}

/** @param strains those whose founders have alleles more or less often than the model says; their frequencies hold. */
export function readyQuestion(model: HeredityModel, pedigree: Pedigree, strains: readonly Strain[] = []): Outcome<ReadyQuestion> {
  const ready = readyModel(model);
  if (!ready.ok) return ready;
  const kin = readyPedigree(ready.value, pedigree, frequenciesOf(ready.value, strains));
  if (!kin.ok) return kin;
  const placeOf = new Map(kin.value.flatMap(({ id }, i) => (id === undefined ? [] : [[id, i] as const])));
  return done({ model: ready.value, kin: kin.value, placeOf });
}

/** Frequencies of alleles in each strain, by locus and by number; the model's where the strain does not say. */
const frequenciesOf = ({ loci }: ReadyModel, strains: readonly Strain[]): ReadonlyMap<string, Frequencies> =>
  new Map(
    strains.map(({ id, founders = {} }) => [
      id,
      loci.map(({ id: locus, alleles, frequency }) =>
        founders[locus] ? Float64Array.from(alleles, (allele) => founders[locus][allele]) : frequency,
      ),
    ]),
  );

/**
 * Exact chances of every individual's sex and genotypes, given all records.
 *
 * @returns individuals in the order of the pedigree; no `logLikelihood`, and no chances, where the records cannot all be true.
 * @throws {TooTangled} where the pedigree cannot be worked out exactly.
 */
export function posteriorOf(
  { model, kin, placeOf }: ReadyQuestion,
  pedigree: Pedigree,
  asked: readonly Together[] = [],
): PedigreePosterior {
  const pairs = (variables: readonly KinVariables[]) =>
    variables.flatMap(({ sex, genotypes }, i) => (kin[i].id === undefined ? [] : genotypes.map(({ vars }) => [sex, ...vars])));
  const genotypesOf = (variables: readonly KinVariables[], together: Together) =>
    together.map(({ id, locus }) => {
      const own = variables[placeOf.get(id)!];
      const at = model.loci.findIndex((one) => one.id === locus);
      return own.genotypes[at];
    });
  const network = networkOf(model, kin, (variables) => [
    ...pairs(variables),
    ...asked.map((one) => genotypesOf(variables, one).flatMap(({ vars }) => vars)),
  ]);
  const solved = solve(network);
  if (!(solved.logSum > -Infinity)) return { individuals: [], together: [] };
  return {
    individuals: pedigree.map(({ id }) => kinPosterior(model, kin, network, solved, placeOf.get(id)!)),
    logLikelihood: solved.logSum,
    together: asked.map((one) => {
      const loci = one.map(({ locus }) => model.loci.findIndex(({ id }) => id === locus));
      return gather(network, solved, genotypesOf(network.kin, one), (pairs) =>
        pairs.map((pair, k) => model.sayGenotype(loci[k], ...pair)),
      ).map(({ key, p }) => ({ genotypes: key, p }));
    }),
  };
}

function kinPosterior(
  model: ReadyModel,
  kin: readonly ReadyKin[],
  network: Network,
  solved: Propagated,
  at: number,
): KinPosterior {
  const own = network.kin[at];
  const { id, father, mother } = kin[at];
  const sexP = { female: 0, male: 0 };
  solved.joint([own.sex]).forEach((p, i) => (sexP[SEXES[network.domains[own.sex][i]]] += p));
  const genotypes = model.loci.map(({ id: locus }, l): [string, GenotypeChance[]] => [
    locus,
    gather(network, solved, [own.genotypes[l]], ([pair]) => [model.sayGenotype(l, ...pair)]).map(({ key, p }) => ({
      genotype: key[0],
      p,
    })),
  ]);
  const parents = (choice: number | undefined, several: ReadyKin['father']) =>
    choice === undefined
      ? undefined
      : [...solved.joint([choice])].map((p, i) => ({ id: kin[several![i].at].id ?? null, p })).sort((a, b) => b.p - a.p);
  const [fathers, mothers] = [parents(own.father, father), parents(own.mother, mother)];
  return {
    id: id!,
    sexP,
    genotypes: Object.fromEntries(genotypes),
    ...(fathers ? { fathers } : {}),
    ...(mothers ? { mothers } : {}),
  };
}

/** The chances of what genotypes come to together, the greatest first; what cannot be is left out. */
function gather(
  network: Network,
  solved: Propagated,
  genotypes: readonly GenotypeVariables[],
  say: (pairs: (readonly [number, number])[]) => string[],
): { key: string[]; p: number }[] {
  const sums = new Map<string, { key: string[]; p: number }>();
  eachTogether(network, solved, genotypes, (pairs, p) => {
    const key = say(pairs);
    const known = sums.get(key.join('\n'));
    if (known) known.p += p;
    else sums.set(key.join('\n'), { key, p });
  });
  return [...sums.values()].sort((a, b) => b.p - a.p || (a.key.join() < b.key.join() ? -1 : 1));
}

/** Every combination of genotypes that can be, with its chance. They must have been joined in the network. */
export function eachTogether(
  { domains }: Network,
  solved: Propagated,
  genotypes: readonly GenotypeVariables[],
  visit: (pairs: (readonly [number, number])[], p: number) => void,
): void {
  const scope = [...new Set(genotypes.flatMap(({ vars }) => vars))];
  const places = new Map(scope.map((v, i) => [v, i]));
  const table = solved.joint(scope);
  const at = scope.map(() => 0);
  for (let cell = 0; cell < table.length; cell++) {
    if (table[cell] > 0)
      visit(
        genotypes.map(({ vars, pair }) => pair(vars.map((v) => domains[v][at[places.get(v)!]]))),
        table[cell],
      );
    for (let i = at.length - 1; i >= 0; i--) {
      if (++at[i] < domains[scope[i]].length) break;
      at[i] = 0;
    }
  }
}

/** Has a genotype, as a pair of alleles, an allele? */
export const carries = (allele: number, a: number, b: number): boolean => allele !== NONE && (a === allele || b === allele);
