import { crossAsked, pairsAsked, posteriorAsked } from '@plesion/core/heredity';
import { CrossRequest, PairsRequest, PosteriorRequest } from '@plesion/core/heredity/schema';
import { seeded } from '@plesion/core/probability';
import { medianMs } from './timing';

const ALLELES = [
  { id: '+', frequency: 0.8 },
  { id: 'p', frequency: 0.2 },
];
const locus = (id: string, inheritance: 'autosomal' | 'sex-linked') => ({
  id,
  inheritance,
  alleles: ALLELES,
  dominance: ['+', 'p'],
});

interface One {
  id: string;
  sex: 'female' | 'male';
  father?: string;
  mother?: string;
  phenotypes: Record<string, string>;
}

/** A colony bred from a few founders, broods of four, mates of the generation before; every so often two that are kin. */
function colony(size: number, loci: readonly string[]): One[] {
  const random = seeded(size);
  const all: One[] = [];
  let parents: One[] = [];
  let brood: One[] = [];
  const shown = () => Object.fromEntries(loci.map((id) => [id, '+']));
  const add = (father?: One, mother?: One): One => {
    const one: One = { id: `k${all.length}`, sex: all.length % 2 ? 'female' : 'male', phenotypes: shown() };
    if (father && mother) Object.assign(one, { father: father.id, mother: mother.id });
    all.push(one);
    return one;
  };
  for (let i = 0; i < 8; i++) parents.push(add());
  while (all.length < size) {
    const of = (sex: string) => parents.filter((one) => one.sex === sex);
    const [males, females] = [of('male'), of('female')];
    for (let pair = 0; pair < Math.min(males.length, females.length) && all.length < size; pair++) {
      // Most pairs bring somebody new in; one in eight are of the colony both.
      const father = males[pair];
      const mother = random() < 0.125 ? females[pair] : add();
      mother.sex = 'female';
      for (let i = 0; i < 4 && all.length < size; i++) brood.push(add(father, mother));
    }
    parents = brood;
    brood = [];
  }
  return all;
}

/** The plain way: every combination of genotypes at one locus, its chance by Mendel's rules, added up. */
function plainly(family: readonly One[]): number {
  const at = new Map(family.map(({ id }, i) => [id, i]));
  const founder = [0.64, 0.32, 0.04];
  const gives = [0, 0.5, 1];
  const parents = family.map(({ father, mother }) => (father && mother ? [at.get(father)!, at.get(mother)!] : undefined));
  let sum = 0;
  const genotypes = family.map(() => 0);
  for (let cell = 0; cell < 3 ** family.length; cell++) {
    let rest = cell;
    let p = 1;
    for (let i = 0; i < family.length; i++) {
      genotypes[i] = rest % 3;
      rest = Math.floor(rest / 3);
      if (genotypes[i] === 2) p = 0;
    }
    for (let i = 0; i < family.length && p > 0; i++) {
      const pair = parents[i];
      if (!pair) p *= founder[genotypes[i]];
      else {
        const [f, m] = [gives[genotypes[pair[0]]], gives[genotypes[pair[1]]]];
        p *= [(1 - f) * (1 - m), f * (1 - m) + m * (1 - f), f * m][genotypes[i]];
      }
    }
    sum += p;
  }
  // Each was as likely to be of the other sex.
  return sum * 0.5 ** family.length;
}

/** What a keeper's book costs: beside adding up every combination, where that can be done at all. */
export function reportHeredity(print: (line?: string) => void): void {
  const posterior = (loci: object[], individuals: One[]) => {
    const asked = PosteriorRequest.parse({ system: 'ZW', loci, individuals });
    return () => {
      const found = posteriorAsked(asked);
      if (!found.ok) throw new Error(found.problems[0].message);
      return found.value;
    };
  };
  const family = colony(12, ['pale']);
  const small = posterior([locus('pale', 'autosomal')], family);
  const exact = medianMs(small, 9, 2);
  const plain = medianMs(() => plainly(family), 3, 1);
  const off = Math.abs(Math.exp(small().logLikelihood!) / plainly(family) - 1);
  print();
  print('A keeper’s book.');
  print(
    `12 individuals × 1 locus                 ${exact.toFixed(2)} ms   1 in ${Math.round(plain / exact)} of adding up all ${(3 ** 12).toLocaleString('en')} combinations (off by ${off.toExponential(0)})`,
  );
  const three = [locus('pale', 'sex-linked'), locus('smoke', 'autosomal'), locus('bar', 'autosomal')];
  const ids = ['pale', 'smoke', 'bar'];
  const sixty = medianMs(posterior(three, colony(60, ids)), 3, 1);
  print(`60 individuals × 3 loci, with loops      ${sixty.toFixed(0)} ms   (aim: 1,000 ms)`);
  const many = medianMs(posterior(three.slice(0, 2), colony(300, ids.slice(0, 2))), 3, 1);
  print(`300 individuals × 2 loci                 ${many.toFixed(0)} ms   (aim: 3,000 ms)`);
  const book = colony(60, ids.slice(0, 2));
  const base = { system: 'ZW', loci: three.slice(0, 2), individuals: book };
  const of = (sex: string) => book.slice(-24).flatMap((one) => (one.sex === sex ? [one.id] : []));
  const [fathers, mothers] = [of('male'), of('female')];
  const goal = { shows: { character: 'pale', state: 'p' } };
  const pairs = PairsRequest.parse({ ...base, fathers, mothers, goal, clutch: 8 });
  const one = CrossRequest.parse({ ...base, father: fathers[0], mother: mothers[0], clutch: 8 });
  const all = medianMs(() => pairsAsked(pairs), 3, 1);
  const single = medianMs(() => crossAsked(one), 3, 1);
  const n = fathers.length * mothers.length;
  print(
    `${String(n).padEnd(3)} pairs ranked                         ${all.toFixed(0)} ms   1 in ${((single * n) / all).toFixed(1)} of one by one`,
  );
}
