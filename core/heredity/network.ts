import type { Factor } from './factor';
import { NONE, type ReadyModel } from '../guide/heredityModel';
import type { Parent, ReadyKin } from './pedigree';
import { type Propagated, propagate } from './propagate';
import { type Sex, SEXES } from '../guide/heredityVocabulary';

/** The variables of an individual. */
export interface KinVariables {
  sex: number;
  /** By locus: what came from the mother, and from the father. */
  maternal: readonly number[];
  paternal: readonly number[];
  /** Which of several is a parent; none where there is no doubt. */
  father?: number;
  mother?: number;
}

export interface Network {
  cards: number[];
  /** The values of each variable: sexes as 0 and 1, alleles by number (`NONE` for none), parents by their place among the candidates. */
  domains: number[][];
  kin: KinVariables[];
  factors: Factor[];
}

const FEMALE = 0;
const sexAt = (value: number): Sex => SEXES[value];

/**
 * The network of a pedigree: for each individual its sex, and at each locus what came from its mother and from its father
 * (Lauritzen & Sheehan 2003); between loci of one chromosome, which grandparent each part came from (Lander & Green 1987).
 * The sum over all of the product of the factors is the likelihood of the records.
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
  const add = (domain: number[]): number => domains.push(domain) - 1;
  const cards = () => domains.map(({ length }) => length);
  const factor = (vars: number[], of: (values: number[]) => number) => {
    const own = vars.map((v) => domains[v]);
    const table = new Float64Array(own.reduce((size, { length }) => size * length, 1));
    const at = own.map(() => 0);
    for (let cell = 0; cell < table.length; cell++) {
      table[cell] = of(at.map((place, i) => own[i][place]));
      for (let i = at.length - 1; i >= 0; i--) {
        if (++at[i] < own[i].length) break;
        at[i] = 0;
      }
    }
    factors.push({ vars, table });
  };

  const fathers = new Set(kin.flatMap(({ father }) => (father?.length === 1 ? [father[0].at] : [])));
  const mothers = new Set(kin.flatMap(({ mother }) => (mother?.length === 1 ? [mother[0].at] : [])));
  const variables = kin.map((one, i): KinVariables => {
    const fits = [0, 1].filter(
      (value) => one.sex[sexAt(value)] > 0 && !(fathers.has(i) && value === FEMALE) && !(mothers.has(i) && value !== FEMALE),
    );
    // Nothing fits: the records of its sex and of its young say otherwise. It is left one value, of chance 0.
    const sexes = fits.length ? fits : [FEMALE];
    if (!fits.length) factors.push({ vars: [], table: new Float64Array([0]) });
    const sex = add(sexes);
    factor([sex], ([value]) => one.sex[sexAt(value)]);
    const places = (side: 'maternal' | 'paternal') =>
      model.loci.map(({ linked, alleles }) => {
        const all = alleles.map((_, allele) => allele);
        // The uneven sex has no allele from the parent that gives it its odd chromosome.
        const empty = linked && side === (model.uneven === 'female' ? 'maternal' : 'paternal');
        if (!empty) return add(all);
        const may = sexes.map(sexAt);
        return add([...(may.some((word) => word !== model.uneven) ? all : []), ...(may.includes(model.uneven) ? [NONE] : [])]);
      });
    const choice = (parents: readonly Parent[] | undefined) =>
      parents && parents.length > 1 ? add(parents.map((_, place) => place)) : undefined;
    return {
      sex,
      maternal: places('maternal'),
      paternal: places('paternal'),
      father: choice(one.father),
      mother: choice(one.mother),
    };
  });

  kin.forEach((one, i) => {
    const own = variables[i];
    if (one.father && one.mother) descend(one, own);
    else found(one, own);
    for (const { character, chances } of one.seen) see(own, character, chances);
    model.loci.forEach(({ linked }, locus) => {
      const side = model.uneven === 'female' ? own.maternal[locus] : own.paternal[locus];
      // No allele where the odd chromosome is, and nowhere else.
      if (linked) factor([own.sex, side], ([sex, allele]) => Number((sexAt(sex) === model.uneven) === (allele === NONE)));
    });
  });
  for (const vars of joined(variables)) factor([...new Set(vars)], () => 1);
  return { cards: cards(), domains, kin: variables, factors };

  /** One of whose parents nothing is known: alleles as common as they are, among those that live. */
  function found(one: ReadyKin, own: KinVariables): void {
    // Who stands for a parent that nobody knows is of that parent's sex.
    const sexes = one.id === undefined ? SEXES.filter((sex) => one.sex[sex] > 0) : SEXES;
    factor([own.sex], () => 1 / sexes.length);
    model.loci.forEach(({ frequency, lethal, lives, linked }, locus) => {
      const common = (allele: number) => (allele === NONE ? 1 : frequency[allele]);
      const [m, p] = [own.maternal[locus], own.paternal[locus]];
      factor([m], ([allele]) => common(allele));
      factor([p], ([allele]) => common(allele));
      if (!lethal || !one.lived) return;
      let living = 0;
      const all = frequency.map((_, allele) => allele);
      for (const sex of sexes)
        for (const a of all)
          for (const b of linked && sex === model.uneven ? [NONE] : all)
            if (lives(sex, a, b)) living += (common(a) * common(b)) / sexes.length;
      factor([own.sex, m, p], ([sex, a, b]) => (lives(sexAt(sex), a, b) ? 1 / living : 0));
    });
  }

  /** One with two parents, or with one of several for either. */
  function descend(one: ReadyKin, own: KinVariables): void {
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
        const chosen = (values: number[]) => choice === undefined || values[0] === place;
        if (choice !== undefined)
          factor([choice, parent.sex], (values) => Number(!chosen(values) || sexAt(values[1]) === needed));
        model.loci.forEach(({ linked }, locus) => {
          const child = own[side][locus];
          const [m, p] = [parent.maternal[locus], parent.paternal[locus]];
          if (linked && needed === model.uneven) {
            // The uneven parent gives its one allele to young of the other sex, and none to those of its own.
            const from = model.uneven === 'female' ? p : m;
            factor([...gate, own.sex, child, from], (values) => {
              const [sex, allele, given] = values.slice(gate.length);
              return Number(!chosen(values) || allele === (sexAt(sex) === model.uneven ? NONE : given));
            });
          } else if (which[locus] === undefined)
            factor([...gate, child, m, p], (values) => {
              const [allele, a, b] = values.slice(gate.length);
              return chosen(values) ? (Number(allele === a) + Number(allele === b)) / 2 : 1;
            });
          else
            factor([...gate, which[locus], child, m, p], (values) => {
              const [part, allele, a, b] = values.slice(gate.length);
              return Number(!chosen(values) || allele === (part === 0 ? a : b));
            });
        });
      });
    }
    if (one.lived) survive(one, own);
  }

  /** At loci of one chromosome, whether a parent's part came from its mother (0) or its father (1). */
  function segregation(sex: Sex): (number | undefined)[] {
    const parts: (number | undefined)[] = model.loci.map(() => undefined);
    const inLine = model.loci.map(({ after }, i) => Boolean(after) || model.loci.some((other) => other.after?.locus === i));
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
      factor([own.sex, own.maternal[locus], own.paternal[locus]], ([sex, a, b]) => Number(lives(sexAt(sex), a, b)));
      one.father!.forEach(({ at: father }, f) =>
        one.mother!.forEach(({ at: mother }, m) => {
          const [his, hers] = [variables[father], variables[mother]];
          const gates = [own.father, own.mother].filter((v) => v !== undefined);
          const scope = [...gates, his.maternal[locus], his.paternal[locus], hers.maternal[locus], hers.paternal[locus]];
          factor(scope, (values) => {
            let k = 0;
            if (own.father !== undefined && values[k++] !== f) return 1;
            if (own.mother !== undefined && values[k++] !== m) return 1;
            const [a, b, c, d] = values.slice(k);
            let living = 0;
            for (const sex of SEXES)
              for (const p of linked && model.uneven === 'male' ? [sex === 'male' ? NONE : a] : [a, b])
                for (const q of linked && model.uneven === 'female' ? [sex === 'female' ? NONE : d] : [c, d])
                  if (lives(sex, q, p))
                    living += 0.5 / ((linked && model.uneven === 'male' ? 1 : 2) * (linked && model.uneven === 'female' ? 1 : 2));
            return living > 0 ? 1 / living : 0;
          });
        }),
      );
    });
  }

  function see(own: KinVariables, character: number, chances: readonly number[]): void {
    const { loci, shows } = model.characters[character];
    factor([own.sex, ...loci.flatMap((locus) => [own.maternal[locus], own.paternal[locus]])], ([sex, ...alleles]) => {
      const genotype = loci.map((_, k) => [alleles[2 * k], alleles[2 * k + 1]] as const);
      // A place that is empty in a sex that has none empty stands for nothing.
      if (loci.some((locus, k) => genotype[k].includes(NONE) !== (model.loci[locus].linked && sexAt(sex) === model.uneven)))
        return 0;
      return shows(sexAt(sex), genotype).reduce((sum, share, state) => sum + share * chances[state], 0);
    });
  }
}

/** Work a network out. */
export const solve = ({ cards, factors }: Network, downToo = true): Propagated => propagate(cards, factors, downToo);
