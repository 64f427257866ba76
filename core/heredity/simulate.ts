import { pick, type RandomSource, seeded } from '../probability';
import { type Sex, SEXES } from '../guide/heredityVocabulary';
import { type ReadyModel, NONE } from '../guide/heredityModel';
import { kinshipsOf } from './kinship';
import { networkOf, solve } from './network';
import type { ReadyQuestion } from './posterior';
import type { BreedingPlan } from './schema';
import { type Genotype, shownBy, type Young, youngOf } from './young';

/** Over all runs that got so far: the mean, and what 5 and 95 in 100 lie below. */
export interface Spread {
  mean: number;
  low: number;
  high: number;
}

export interface Generation {
  /** Runs that got here; the others had nobody of one sex. */
  runs: number;
  young: Spread;
  inbreeding: Spread;
  alleles: { locus: string; allele: string; frequency: Spread }[];
  shows: { character: string; state: string; share: Spread }[];
}

interface Animal {
  sex: Sex;
  genotype: Genotype;
  /** What it shows, by the model's characters. */
  shows: Readonly<Record<string, string>>;
  inbreeding: number;
}

/** A generation with the kinship of every two of it. */
interface Herd {
  animals: Animal[];
  kinship: (a: number, b: number) => number;
}

/**
 * Generations bred by a rule from those that are here, played many times: how far alleles drift, inbreeding rises and
 * numbers hold. Generations do not overlap. Each run begins with sexes and genotypes drawn for all together from what the
 * records leave open, so that sibs are alike as sibs are; kinships are those of the pedigree, then by descent (Emik &
 * Terrill 1949).
 *
 * @param from who breeds first, by id.
 * @returns nothing where the records cannot all be true.
 */
export function simulate(question: ReadyQuestion, from: readonly string[], breeding: BreedingPlan): Generation[] {
  const { model, kin, placeOf } = question;
  const places = from.map((id) => placeOf.get(id)!);
  const network = networkOf(model, kin);
  const solved = solve(network);
  if (!(solved.logSum > -Infinity)) return [];
  const kinships = kinshipsOf(kin);
  const youngBy = youngOnce(model);
  const random = seeded(breeding.seed);
  const sums = Array.from({ length: breeding.generations }, (): Measured[] => []);
  for (let run = 0; run < breeding.runs; run++) {
    const values = solved.draw(random);
    const valueOf = (v: number) => network.domains[v][values[v]];
    let herd: Herd = {
      animals: places.map((at) => {
        const own = network.kin[at];
        const sex = SEXES[valueOf(own.sex)];
        const genotype = own.genotypes.map(({ vars, pair }) => pair(vars.map(valueOf)));
        const shows = drawn(shownBy(model, { sex, genotype, p: 1 }), random).shows;
        return { sex, genotype, shows, inbreeding: kinships.inbreeding(at) };
      }),
      kinship: (a, b) => kinships.of(places[a], places[b]),
    };
    for (const generation of sums) {
      const pairs = pairsBy(herd, breeding, random);
      const next = bred(herd, pairs, breeding.clutch, youngBy, model, random);
      if (!next.animals.length) break;
      generation.push(measured(model, next));
      herd = next;
    }
  }
  return sums.map((runs) => told(model, runs));
}

const drawn = <T extends { p: number }>(all: readonly T[], random: RandomSource): T =>
  all[
    pick(
      all.map(({ p }) => p),
      random,
    )
  ];

/** What young two genotypes may have; worked out once for each two. */
function youngOnce(model: ReadyModel): (father: Genotype, mother: Genotype) => Young[] {
  const known = new Map<string, Young[]>();
  return (father, mother) => {
    const key = JSON.stringify([father, mother]);
    const young = known.get(key) ?? youngOf(model, { father, mother, p: 1 });
    known.set(key, young);
    return young;
  };
}

function shuffled<T>(all: readonly T[], random: RandomSource): T[] {
  const left = [...all];
  for (let i = left.length - 1; i > 0; i--) {
    const k = Math.floor(random() * (i + 1));
    [left[i], left[k]] = [left[k], left[i]];
  }
  return left;
}

/** Who is paired: each of the rarer sex once, no more pairs than are wanted. */
function pairsBy(
  { animals, kinship }: Herd,
  { rule, goal, pairs }: BreedingPlan,
  random: RandomSource,
): [father: number, mother: number][] {
  const of = (sex: Sex) =>
    shuffled(
      animals.flatMap((one, i) => (one.sex === sex ? [i] : [])),
      random,
    );
  let [males, females] = [of('male'), of('female')];
  if (rule === 'show' && goal) {
    const first = (ids: number[]) =>
      [...ids].sort(
        (a, b) =>
          Number(animals[b].shows[goal.character] === goal.state) - Number(animals[a].shows[goal.character] === goal.state),
      );
    [males, females] = [first(males), first(females)];
  }
  const n = Math.min(pairs, males.length, females.length);
  if (rule !== 'least-kin') return Array.from({ length: n }, (_, i) => [males[i], females[i]]);
  // The least akin first, and those left by and by.
  const all = males.flatMap((father) => females.map((mother) => ({ father, mother, phi: kinship(father, mother) })));
  all.sort((a, b) => a.phi - b.phi);
  const taken = new Set<number>();
  const chosen: [number, number][] = [];
  for (const { father, mother } of all) {
    if (chosen.length === n) break;
    if (taken.has(father) || taken.has(mother)) continue;
    taken.add(father).add(mother);
    chosen.push([father, mother]);
  }
  return chosen;
}

function bred(
  { animals, kinship }: Herd,
  pairs: readonly (readonly [number, number])[],
  clutch: number,
  youngBy: (father: Genotype, mother: Genotype) => Young[],
  model: ReadyModel,
  random: RandomSource,
): Herd {
  const parents: (readonly [number, number])[] = [];
  const young: Animal[] = [];
  for (const pair of pairs) {
    const may = youngBy(animals[pair[0]].genotype, animals[pair[1]].genotype);
    if (!may.length) continue;
    for (let i = 0; i < clutch; i++) {
      const { sex, genotype } = drawn(may, random);
      const { shows } = drawn(shownBy(model, { sex, genotype, p: 1 }), random);
      young.push({ sex, genotype, shows, inbreeding: kinship(...pair) });
      parents.push(pair);
    }
  }
  // Of the parents alone: what is older is in these already.
  const numbers = [...new Set(pairs.flat())];
  const place = new Map(numbers.map((one, i) => [one, i]));
  const between = numbers.map((a) => numbers.map((b) => (a === b ? (1 + animals[a].inbreeding) / 2 : kinship(a, b))));
  return {
    animals: young,
    kinship(a, b) {
      const [[f, m], [g, n]] = [parents[a].map((one) => between[place.get(one)!]), parents[b].map((one) => place.get(one)!)];
      return (f[g] + f[n] + m[g] + m[n]) / 4;
    },
  };
}

/** What is told of a generation of one run, in the order of {@link told}. */
interface Measured {
  young: number;
  inbreeding: number;
  alleles: number[];
  shows: number[];
}

function measured(model: ReadyModel, { animals }: Herd): Measured {
  const share = (n: number) => n / animals.length;
  return {
    young: animals.length,
    inbreeding: share(animals.reduce((sum, one) => sum + one.inbreeding, 0)),
    alleles: model.loci.flatMap(({ alleles }, l) => {
      const places = animals.flatMap(({ genotype }) => genotype[l].filter((one) => one !== NONE));
      return alleles.map((_, a) => places.filter((one) => one === a).length / places.length);
    }),
    shows: model.characters.flatMap(({ id, states }) =>
      states.map((state) => share(animals.filter(({ shows }) => shows[id] === state).length)),
    ),
  };
}

function told({ loci, characters }: ReadyModel, runs: readonly Measured[]): Generation {
  const spread = (of: (run: Measured) => number): Spread => spreadOf(runs.map(of));
  return {
    runs: runs.length,
    young: spread(({ young }) => young),
    inbreeding: spread(({ inbreeding }) => inbreeding),
    alleles: loci
      .flatMap(({ id: locus, alleles }) => alleles.map((allele) => ({ locus, allele })))
      .map((one, i) => ({ ...one, frequency: spread(({ alleles }) => alleles[i]) })),
    shows: characters
      .flatMap(({ id: character, states }) => states.map((state) => ({ character, state })))
      .map((one, i) => ({ ...one, share: spread(({ shows }) => shows[i]) })),
  };
}

function spreadOf(values: readonly number[]): Spread {
  if (!values.length) return { mean: 0, low: 0, high: 0 };
  const sorted = [...values].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  return { mean: values.reduce((sum, one) => sum + one, 0) / values.length, low: at(0.05), high: at(0.95) };
}
