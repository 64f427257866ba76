import type { Locus } from '../../guide/hereditySchema';
import type { HeredityModel, Kin, Pedigree } from '../schema';

/**
 * A plain second way, for small pedigrees: every combination of sexes, parents and gametes written out and added up,
 * straight from Mendel's rules and the schema, with nothing of the code that it checks.
 */
type Sex = 'female' | 'male';
type Haplotype = (string | null)[];
interface Full {
  sex: Sex;
  m: Haplotype;
  p: Haplotype;
}
interface Weighted<T> {
  value: T;
  p: number;
}

const product = <T>(lists: Weighted<T>[][]): Weighted<T[]>[] =>
  lists.reduce<Weighted<T[]>[]>(
    (all, list) => all.flatMap((a) => list.map((b) => ({ value: [...a.value, b.value], p: a.p * b.p }))),
    [{ value: [], p: 1 }],
  );

export function enumerate(model: HeredityModel, pedigree: Pedigree) {
  const uneven: Sex = model.system === 'XY' ? 'male' : 'female';
  const empty = model.system === 'XY' ? 'Y' : 'W';
  const say = (locus: Locus, a: string | null, b: string | null) => {
    const order = locus.alleles.map(({ id }) => id);
    if (a === null || b === null) return `${a ?? b}/${empty}`;
    return order.indexOf(a) <= order.indexOf(b) ? `${a}/${b}` : `${b}/${a}`;
  };
  const lives = ({ m, p }: Full) => model.loci.every((locus, l) => !locus.lethal?.includes(say(locus, m[l], p[l])));
  const living = (all: Weighted<Full>[]) => {
    const left = all.filter(({ value }) => lives(value));
    const sum = left.reduce((s, { p }) => s + p, 0);
    return left.map(({ value, p }) => ({ value, p: p / sum }));
  };
  const founder = (sexes: Sex[]): Weighted<Full>[] =>
    sexes.flatMap((sex) => {
      const side = (mine: 'm' | 'p') =>
        product(
          model.loci.map((locus): Weighted<string | null>[] =>
            locus.inheritance === 'sex-linked' && sex === uneven && mine === (uneven === 'female' ? 'm' : 'p')
              ? [{ value: null, p: 1 }]
              : locus.alleles.map(({ id, frequency }) => ({ value: id, p: frequency })),
          ),
        );
      return side('m').flatMap((m) => side('p').map((p) => ({ value: { sex, m: m.value, p: p.value }, p: (m.p * p.p) / 2 })));
    });
  const gametes = (parent: Full, childSex: Sex): Weighted<Haplotype>[] => {
    const parts = model.loci.reduce<Weighted<number[]>[]>(
      (all, locus) =>
        all.flatMap(({ value, p }) => {
          const before = locus.after && model.loci.findIndex(({ id }) => id === locus.after!.locus);
          const r = locus.after?.recombination[parent.sex];
          return [0, 1].map((part) => ({
            value: [...value, part],
            p: p * (before === undefined ? 0.5 : part === value[before] ? 1 - r! : r!),
          }));
        }),
      [{ value: [], p: 1 }],
    );
    return parts.map(({ value, p }) => ({
      value: model.loci.map((locus, l) => {
        if (locus.inheritance === 'sex-linked' && parent.sex === uneven)
          return childSex === uneven ? null : (parent.m[l] ?? parent.p[l]);
        return value[l] === 0 ? parent.m[l] : parent.p[l];
      }),
      p,
    }));
  };
  const shown = (one: Full, character: string, states: string[], certainty: number) => {
    const locus = model.loci.findIndex(({ id, dominance }) => id === character && dominance);
    let shares: Record<string, number>;
    if (locus >= 0) shares = { [model.loci[locus].dominance!.find((a) => one.m[locus] === a || one.p[locus] === a)!]: 1 };
    else {
      const rule = model.characters
        .find(({ id }) => id === character)!
        .rules.find(
          ({ where, sex }) =>
            (!sex || sex === one.sex) &&
            Object.entries(where).every(([id, test]) => {
              const l = model.loci.findIndex((own) => own.id === id);
              const alleles = [one.m[l], one.p[l]];
              if ('has' in test) return alleles.includes(test.has);
              if ('only' in test) return alleles.filter((a) => a !== null).every((a) => a === test.only);
              return say(model.loci[l], one.m[l], one.p[l]) === test.is;
            }),
        )!;
      shares = typeof rule.shows === 'string' ? { [rule.shows]: 1 } : rule.shows;
    }
    return Object.entries(shares).reduce((sum, [state, p]) => sum + p * (states.includes(state) ? certainty : 1 - certainty), 0);
  };
  const records = (one: Full, { sex, phenotypes }: Kin) => {
    let p = 1;
    if (typeof sex === 'string') p *= Number(one.sex === sex);
    else if (sex) p *= one.sex === sex.called ? sex.certainty : 1 - sex.certainty;
    for (const [character, seen] of Object.entries(phenotypes))
      p *= shown(one, character, typeof seen === 'string' ? [seen] : seen.states, typeof seen === 'string' ? 1 : seen.certainty);
    return p;
  };

  // Parents before young; who is not in the book is drawn where they are needed.
  const left = [...pedigree];
  const order: Kin[] = [];
  const ids = (one: Kin) => [
    one.father,
    one.mother,
    ...(one.fathers ?? []).map(({ id }) => id),
    ...(one.mothers ?? []).map(({ id }) => id),
  ];
  while (left.length) {
    const i = left.findIndex((one) =>
      ids(one).every((id) => id === undefined || id === null || order.some((known) => known.id === id)),
    );
    order.push(...left.splice(i, 1));
  }
  let total = 0;
  const sums = new Map<string, number>();
  const put = (key: string, p: number) => sums.set(key, (sums.get(key) ?? 0) + p);
  const known = new Map<string, Full>();
  const said: string[] = [];
  const go = (i: number, p: number): void => {
    if (p === 0) return;
    if (i === order.length) {
      total += p;
      for (const [id, one] of known) {
        put(`${id} ${one.sex}`, p);
        model.loci.forEach((locus, l) => put(`${id} ${locus.id} ${say(locus, one.m[l], one.p[l])}`, p));
      }
      for (const one of said) put(one, p);
      return;
    }
    const one = order[i];
    const isFounder = !ids(one).some((id) => id !== undefined);
    const each = (all: Weighted<Full>[], weight: number) => {
      for (const { value, p: own } of one.died ? all : living(all)) {
        known.set(one.id, value);
        go(i + 1, p * weight * own * records(value, one));
        known.delete(one.id);
      }
    };
    if (isFounder) return each(founder(['female', 'male']), 1);
    const parents = (named: string | undefined, several: Kin['fathers'], sex: Sex, role: string) => {
      const all = several ?? [{ id: named ?? null, weight: 1 }];
      const sum = all.reduce((s, { weight }) => s + weight, 0);
      return all.flatMap(({ id, weight }): (Weighted<Full> & { said: string })[] => {
        const key = several ? `${one.id} ${role} ${id}` : '';
        if (id !== null) return known.get(id)!.sex === sex ? [{ value: known.get(id)!, p: weight / sum, said: key }] : [];
        return living(founder([sex])).map(({ value, p: own }) => ({ value, p: (own * weight) / sum, said: key }));
      });
    };
    for (const father of parents(one.father, one.fathers, 'male', 'father'))
      for (const mother of parents(one.mother, one.mothers, 'female', 'mother')) {
        const young = (['female', 'male'] as const).flatMap((sex) =>
          gametes(father.value, sex).flatMap((fromHim) =>
            gametes(mother.value, sex).map((fromHer) => ({
              value: { sex, m: fromHer.value, p: fromHim.value },
              p: (fromHim.p * fromHer.p) / 2,
            })),
          ),
        );
        const keys = [father.said, mother.said].filter(Boolean);
        said.push(...keys);
        each(young, father.p * mother.p);
        said.length -= keys.length;
      }
  };
  go(0, 1);
  return { total, of: (key: string) => (sums.get(key) ?? 0) / total };
}
