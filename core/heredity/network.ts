import { NONE, type ReadyModel } from '../guide/heredityModel';
import { type Sex, SEXES } from '../guide/heredityVocabulary';
import { type Factor, MOST_CELLS, TooTangled } from './factor';
import type { Parent, ReadyKin } from './pedigree';
import { type Propagated, propagate } from './propagate';

type Pair = readonly [number, number];

/** The genotype of an individual at a locus, as variables: one for both alleles, or one for each where their parents matter. */
export interface GenotypeVariables {
  vars: readonly number[];
  /** The two alleles, of the values of these variables. */
  pair(values: readonly number[]): Pair;
}

/** The variables of an individual. */
export interface KinVariables {
  sex: number;
  /** By locus. */
  genotypes: readonly GenotypeVariables[];
  /** Which of several is a parent; none where there is no doubt. */
  father?: number;
  mother?: number;
}

export interface Network {
  cards: number[];
  /** The values of each variable: sexes as 0 and 1, alleles and pairs of them by number, parents by their place among the candidates. */
  domains: number[][];
  kin: KinVariables[];
  factors: Factor[];
  /** Of whom each variable tells, by place among the kin. */
  owners: number[];
}

const FEMALE = 0;
const sexAt = (value: number): Sex => SEXES[value];

/** A pair of alleles as one number. */
const WIDE = 64;
const codeOf = (a: number, b: number): number => (a + 1) * WIDE + b + 1;
const pairAt = (code: number): Pair => [Math.floor(code / WIDE) - 1, (code % WIDE) - 1];

/**
 * The network of a pedigree: for each individual its sex and its genotype at each locus, which hangs on those of its
 * parents; at loci of one chromosome what came from either parent apart (Lauritzen & Sheehan 2003), and from which
 * grandparent each part came (Lander & Green 1987). The sum over all of the product of the factors is the likelihood of
 * the records.
 *
 * @param joined sets of variables, by individual and locus, whose joint distribution will be asked for.
 */
export function networkOf(
  model: ReadyModel,
  kin: readonly ReadyKin[],
  joined: (kin: readonly KinVariables[]) => number[][] = () => [],
): Network {
  const domains: number[][] = [];
  const factors: Factor[] = [];
  const owners: number[] = [];
  /** Whose variables are being made. */
  let owner = 0;
  const add = (domain: number[]): number => {
    owners.push(owner);
    return domains.push(domain) - 1;
  };
  const factor = (vars: number[], of: (values: number[]) => number) => {
    const own = vars.map((v) => domains[v]);
    const size = own.reduce((all, { length }) => all * length, 1);
    if (size > MOST_CELLS) throw new TooTangled();
    const table = new Float64Array(size);
    const at = own.map(() => 0);
    for (let cell = 0; cell < size; cell++) {
      table[cell] = of(at.map((place, i) => own[i][place]));
      for (let i = at.length - 1; i >= 0; i--) {
        if (++at[i] < own[i].length) break;
        at[i] = 0;
      }
    }
    factors.push({ vars, table });
  };
  /** A factor over variables and genotypes, given their values and their pairs. */
  const overPairs = (
    vars: readonly number[],
    genotypes: readonly GenotypeVariables[],
    of: (values: number[], pairs: Pair[]) => number,
  ) =>
    factor([...vars, ...genotypes.flatMap((one) => one.vars)], (values) => {
      let from = vars.length;
      const pairs = genotypes.map((one) => one.pair(values.slice(from, (from += one.vars.length))));
      return of(values, pairs);
    });
  /** Is it of a line of loci that hang together, so that it matters from whom an allele came? */
  const inLine = model.loci.map(({ after }, i) => Boolean(after) || model.loci.some((other) => other.after?.locus === i));

  const soleParents = (role: 'father' | 'mother') =>
    new Set(kin.flatMap((one) => (one[role]?.length === 1 ? [one[role][0].at] : [])));
  const [fathers, mothers] = [soleParents('father'), soleParents('mother')];
  /** Beside the variables of each: what came from its mother and from its father, where it has any. */
  const sides: { maternal: (number | undefined)[]; paternal: (number | undefined)[] }[] = [];
  const variables = kin.map((one, i): KinVariables => {
    owner = i;
    const fits = [0, 1].filter(
      (value) => one.sex[sexAt(value)] > 0 && !(fathers.has(i) && value === FEMALE) && !(mothers.has(i) && value !== FEMALE),
    );
    // Nothing fits: the records of its sex and of its young say otherwise. It is left one value, of chance 0.
    const sexes = fits.length ? fits : [FEMALE];
    const sex = add(sexes);
    factor([sex], ([value]) => (fits.length ? one.sex[sexAt(value)] : 0));
    const may = sexes.map(sexAt);
    const descended = Boolean(one.father && one.mother);
    const side = (from: 'maternal' | 'paternal') =>
      model.loci.map(({ linked, alleles }, locus) => {
        if (!descended && !inLine[locus]) return undefined;
        const all = alleles.map((_, allele) => allele);
        // The uneven sex has no allele from the parent that gives it its odd chromosome.
        const odd = linked && from === (model.uneven === 'female' ? 'maternal' : 'paternal');
        return add(
          odd ? [...(may.some((word) => word !== model.uneven) ? all : []), ...(may.includes(model.uneven) ? [NONE] : [])] : all,
        );
      });
    const own = { maternal: side('maternal'), paternal: side('paternal') };
    sides.push(own);
    const genotypes = model.loci.map(({ linked, alleles }, locus): GenotypeVariables => {
      if (inLine[locus]) return { vars: [own.maternal[locus]!, own.paternal[locus]!], pair: ([m, p]) => [m, p] };
      const even = !linked || may.some((word) => word !== model.uneven);
      const codes = [
        ...(even ? alleles.flatMap((_, a) => alleles.flatMap((__, b) => (b >= a ? [codeOf(a, b)] : []))) : []),
        ...(linked && may.includes(model.uneven) ? alleles.map((_, a) => codeOf(a, NONE)) : []),
      ];
      return { vars: [add(codes)], pair: ([code]) => pairAt(code) };
    });
    const choice = (parents: readonly Parent[] | undefined) =>
      parents && parents.length > 1 ? add(parents.map((_, place) => place)) : undefined;
    return { sex, genotypes, father: choice(one.father), mother: choice(one.mother) };
  });

  kin.forEach((one, i) => {
    owner = i;
    const own = variables[i];
    if (one.father && one.mother) descend(one, i);
    else found(one, own);
    for (const { character, chances } of one.seen) see(own, character, chances);
    model.loci.forEach(({ linked }, locus) => {
      // No allele where the odd chromosome is, and nowhere else.
      if (linked)
        overPairs([own.sex], [own.genotypes[locus]], ([sex], [pair]) =>
          Number((sexAt(sex) === model.uneven) === pair.includes(NONE)),
        );
    });
  });
  for (const vars of joined(variables)) factor([...new Set(vars)], () => 1);
  return { cards: domains.map(({ length }) => length), domains, kin: variables, factors, owners };

  /** One of whose parents nothing is known: alleles as common as they are, among those that live. */
  function found(one: ReadyKin, own: KinVariables): void {
    // Who stands for a parent that nobody knows is of that parent's sex.
    const sexes = one.id === undefined ? SEXES.filter((sex) => one.sex[sex] > 0) : SEXES;
    factor([own.sex], () => 1 / sexes.length);
    model.loci.forEach(({ frequency: usual, lethal, lives, linked }, locus) => {
      const frequency = one.founders?.[locus] ?? usual;
      const common = (allele: number) => (allele === NONE ? 1 : frequency[allele]);
      // One variable stands for both ways round, two for each.
      const ways = (a: number, b: number) => (inLine[locus] || a === b || a === NONE || b === NONE ? 1 : 2);
      let living = 1;
      if (lethal && one.lived) {
        living = 0;
        const all = [...frequency.keys()];
        for (const sex of sexes)
          for (const a of all)
            for (const b of linked && sex === model.uneven ? [NONE] : all)
              if (lives(sex, a, b)) living += (common(a) * common(b)) / sexes.length;
      }
      overPairs([own.sex], [own.genotypes[locus]], ([sex], [[a, b]]) =>
        !one.lived || !lethal || lives(sexAt(sex), a, b) ? (ways(a, b) * common(a) * common(b)) / living : 0,
      );
    });
  }

  /** One with two parents, or with one of several for either. */
  function descend(one: ReadyKin, i: number): void {
    const own = variables[i];
    factor([own.sex], () => 0.5);
    for (const [side, parents, choice, needed] of [
      ['paternal', one.father!, own.father, 'male'],
      ['maternal', one.mother!, own.mother, 'female'],
    ] as const) {
      if (choice !== undefined) factor([choice], ([place]) => parents[place].weight);
      const which = segregation(needed);
      parents.forEach(({ at }, place) => {
        const parent = variables[at];
        const gate = choice === undefined ? [] : [choice];
        const chosen = (values: readonly number[]) => choice === undefined || values[0] === place;
        if (choice !== undefined)
          factor([choice, parent.sex], (values) => Number(!chosen(values) || sexAt(values[1]) === needed));
        model.loci.forEach(({ linked }, locus) => {
          const child = sides[i][side][locus]!;
          const given = parent.genotypes[locus];
          if (linked && needed === model.uneven) {
            // The uneven parent gives its one allele to young of the other sex, and none to those of its own.
            overPairs([...gate, own.sex, child], [given], (values, [[a, b]]) => {
              const [sex, allele] = values.slice(gate.length);
              return Number(!chosen(values) || allele === (sexAt(sex) === model.uneven ? NONE : a === NONE ? b : a));
            });
          } else if (which[locus] === undefined)
            overPairs([...gate, child], [given], (values, [[a, b]]) => {
              const allele = values[gate.length];
              return chosen(values) ? (Number(allele === a) + Number(allele === b)) / 2 : 1;
            });
          else
            overPairs([...gate, which[locus], child], [given], (values, [[a, b]]) => {
              const [part, allele] = values.slice(gate.length);
              return Number(!chosen(values) || allele === (part === 0 ? a : b));
            });
        });
      });
    }
    model.loci.forEach((_, locus) => {
      if (inLine[locus]) return;
      const { maternal, paternal } = sides[i];
      overPairs([maternal[locus]!, paternal[locus]!], [own.genotypes[locus]], ([m, p], [[a, b]]) =>
        Number((a === m && b === p) || (a === p && b === m)),
      );
    });
    if (one.lived) survive(one, own);
  }

  /** At loci of one chromosome, whether a parent's part came from its mother (0) or its father (1). */
  function segregation(sex: Sex): (number | undefined)[] {
    const parts: (number | undefined)[] = model.loci.map(() => undefined);
    model.loci.forEach(({ after, linked }, locus) => {
      // The uneven sex has but one, and gives it whole.
      if (!inLine[locus] || (linked && sex === model.uneven)) return;
      const part = add([0, 1]);
      parts[locus] = part;
      if (after) {
        const r = after.recombination[sex];
        factor([parts[after.locus]!, part], ([a, b]) => (a === b ? 1 - r : r));
      } else factor([part], () => 0.5);
    });
    return parts;
  }

  /** It lived: its genotype is one of those that do, out of what its parents could have had alive. */
  function survive(one: ReadyKin, own: KinVariables): void {
    model.loci.forEach(({ lethal, lives, linked }, locus) => {
      if (!lethal) return;
      overPairs([own.sex], [own.genotypes[locus]], ([sex], [[a, b]]) => Number(lives(sexAt(sex), a, b)));
      const gives = (parent: Sex, pair: Pair, to: Sex): number[] =>
        linked && parent === model.uneven ? (to === model.uneven ? [NONE] : pair.filter((allele) => allele !== NONE)) : [...pair];
      one.father!.forEach(({ at: father }, f) =>
        one.mother!.forEach(({ at: mother }, m) => {
          const gates = [own.father, own.mother].filter((v) => v !== undefined);
          const chosen = [...(own.father === undefined ? [] : [f]), ...(own.mother === undefined ? [] : [m])];
          overPairs(gates, [variables[father].genotypes[locus], variables[mother].genotypes[locus]], (values, [his, hers]) => {
            if (chosen.some((place, k) => values[k] !== place)) return 1;
            let living = 0;
            for (const sex of SEXES) {
              const [from, other] = [gives('male', his, sex), gives('female', hers, sex)];
              for (const p of from) for (const q of other) if (lives(sex, q, p)) living += 0.5 / (from.length * other.length);
            }
            return living > 0 ? 1 / living : 0;
          });
        }),
      );
    });
  }

  function see(own: KinVariables, character: number, chances: readonly number[]): void {
    const { loci, shows } = model.characters[character];
    overPairs(
      [own.sex],
      loci.map((locus) => own.genotypes[locus]),
      ([value], pairs) => {
        const sex = sexAt(value);
        // A place that is empty in a sex that has none empty stands for nothing.
        if (loci.some((locus, k) => pairs[k].includes(NONE) !== (model.loci[locus].linked && sex === model.uneven))) return 0;
        return shows(sex, pairs).reduce((sum, share, state) => sum + share * chances[state], 0);
      },
    );
  }
}

/** Work a network out. */
export const solve = ({ cards, factors }: Network, downToo = true): Propagated => propagate(cards, factors, downToo);
