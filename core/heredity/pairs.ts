import { kinshipsOf } from './kinship';
import { type GenotypeVariables, type Network, networkOf, solve } from './network';
import { carries, eachTogether, type ReadyQuestion } from './posterior';
import type { PairGoal } from './schema';
import { type Couple, type Genotype, shownBy, youngOf } from './young';
import { type Sex, SEXES } from '../guide/heredityVocabulary';

export interface RankedPair {
  father: string;
  mother: string;
  /** Of one young: the chance that it shows what is wanted, or what tells. */
  p: number;
  /** Of a clutch: how many on average, and the chance of one at the least. */
  expected: number;
  atLeastOne: number;
  /** What a clutch would tell of whether the two carry it, in bits. */
  bits?: number;
  /** Coefficient of inbreeding of the young. */
  inbreeding: number;
}

/** What somebody may be in a role, and how likely that is: the chances of all come to that of its sex. */
interface InRole {
  genotype: Genotype;
  p: number;
}

const CERTAIN = 1 - 1e-12;

/**
 * Every pairing of some males with some females, the best first. What the two carry is taken together, given all
 * records: where neither is certain, one of the two is held at each of its genotypes in turn, so that the number of
 * times that the pedigree is worked out grows with the individuals and not with the pairs.
 *
 * @param clutch young looked at, 1 or more.
 * @returns without those that cannot be father and mother; nothing where the records cannot all be true.
 */
export function pairsOf(
  question: ReadyQuestion,
  fathers: readonly string[],
  mothers: readonly string[],
  goal: PairGoal,
  clutch: number,
): RankedPair[] {
  const { model, kin, placeOf } = question;
  const [his, hers] = [fathers, mothers].map((ids) => ids.map((id) => placeOf.get(id)!));
  const network = networkOf(model, kin, (variables) =>
    [...his, ...hers].map((at) => [variables[at].sex, ...variables[at].genotypes.flatMap(({ vars }) => vars)]),
  );
  const solved = solve(network);
  if (!(solved.logSum > -Infinity)) return [];
  const rolesOf = (ats: readonly number[], sex: Sex) => new Map(ats.map((at) => [at, inRole(network, solved, at, sex)]));
  const [asFather, asMother] = [rolesOf(his, 'male'), rolesOf(hers, 'female')];
  const doubtful = (roles: ReadonlyMap<number, readonly InRole[]>) =>
    new Map([...roles].filter(([, all]) => all.length > 0 && !(all.length === 1 && all[0].p > CERTAIN)));
  const [heldHis, heldHers] = [doubtful(asFather), doubtful(asMother)];
  const turns = (held: ReadonlyMap<number, readonly InRole[]>) => [...held.values()].reduce((sum, all) => sum + all.length, 0);
  const holdHis = turns(heldHis) <= turns(heldHers);
  const [held, others] = holdHis ? [heldHis, heldHers] : [heldHers, heldHis];
  /** By who is held and with whom: what the two may be. */
  const together = new Map<string, Couple[]>();
  for (const [at, all] of held)
    for (const one of all) {
      const sex = holdHis ? 'male' : 'female';
      const turn = { ...network, factors: [...network.factors, ...holding(network, at, sex, one.genotype)] };
      const then = solve(turn);
      for (const other of others.keys()) {
        const key = holdHis ? `${at} ${other}` : `${other} ${at}`;
        const couples = inRole(turn, then, other, holdHis ? 'female' : 'male').map(({ genotype, p }): Couple => {
          const [father, mother] = holdHis ? [one.genotype, genotype] : [genotype, one.genotype];
          return { father, mother, p: one.p * p };
        });
        together.set(key, [...(together.get(key) ?? []), ...couples]);
      }
    }
  /** Given that he is a male and she a female. */
  const couplesOfTwo = (father: number, mother: number): Couple[] => {
    const all =
      together.get(`${father} ${mother}`) ??
      asFather
        .get(father)!
        .flatMap((one) =>
          asMother.get(mother)!.map((other): Couple => ({ father: one.genotype, mother: other.genotype, p: one.p * other.p })),
        );
    const sum = all.reduce((total, { p }) => total + p, 0);
    return sum > 0 ? all.map((couple) => ({ ...couple, p: couple.p / sum })) : [];
  };
  const telling = tellingOf(question, goal);
  const kinships = kinshipsOf(kin);
  const pairs = his.flatMap((father) =>
    hers.flatMap((mother): RankedPair[] => {
      const all = father === mother ? [] : couplesOfTwo(father, mother);
      if (!all.length) return [];
      const shares = all.map((couple) => ({ ...couple, tells: telling(couple) }));
      const sum = (of: (one: (typeof shares)[number]) => number) => shares.reduce((total, one) => total + one.p * of(one), 0);
      const p = sum(({ tells }) => tells);
      return [
        {
          ...{ father: kin[father].id!, mother: kin[mother].id!, p, expected: p * clutch },
          atLeastOne: sum(({ tells }) => 1 - (1 - tells) ** clutch),
          ...('locus' in goal ? { bits: toldBy(question, goal, shares, clutch) } : {}),
          inbreeding: kinships.of(father, mother),
        },
      ];
    }),
  );
  return pairs.sort(
    (a, b) =>
      (b.bits ?? 0) - (a.bits ?? 0) ||
      b.p - a.p ||
      a.inbreeding - b.inbreeding ||
      (a.father + a.mother < b.father + b.mother ? -1 : 1),
  );
}

/** What one may be at all loci together, of a sex. Both must have been joined in the network. */
export function inRole(network: Network, solved: ReturnType<typeof solve>, at: number, sex: Sex): InRole[] {
  const found: InRole[] = [];
  const { sex: v, genotypes } = network.kin[at];
  const asPair: GenotypeVariables = { vars: [v], pair: ([value]) => [value, value] };
  eachTogether(network, solved, [asPair, ...genotypes], ([[value], ...genotype], p) => {
    if (SEXES[value] === sex && p > 0) found.push({ genotype, p });
  });
  return found;
}

/** Factors that leave somebody one sex and one genotype. */
function holding({ domains, kin }: Network, at: number, sex: Sex, genotype: Genotype): Network['factors'] {
  const { sex: v, genotypes } = kin[at];
  const sexes = { vars: [v], table: Float64Array.from(domains[v], (value) => Number(SEXES[value] === sex)) };
  return [
    sexes,
    ...genotypes.map(({ vars, pair }, l) => {
      const own = vars.map((one) => domains[one]);
      const size = own.reduce((all, { length }) => all * length, 1);
      const table = new Float64Array(size);
      for (let cell = 0; cell < size; cell++) {
        let rest = cell;
        const values = own.map(() => 0);
        for (let i = own.length - 1; i >= 0; i--) {
          values[i] = own[i][rest % own[i].length];
          rest = Math.floor(rest / own[i].length);
        }
        const [a, b] = pair(values);
        table[cell] = Number(a === genotype[l][0] && b === genotype[l][1]);
      }
      return { vars, table };
    }),
  ];
}

/** The chance that a young of a couple shows what is looked for; worked out once for each couple of genotypes. */
function tellingOf({ model }: ReadyQuestion, goal: PairGoal): (couple: Couple) => number {
  const known = new Map<string, number>();
  const { character, state } = goal.shows;
  const sex = 'sex' in goal ? goal.sex : undefined;
  return (couple) => {
    const key = JSON.stringify([couple.father, couple.mother]);
    const before = known.get(key);
    if (before !== undefined) return before;
    let p = 0;
    for (const young of youngOf(model, couple)) {
      if (sex !== undefined && young.sex !== sex) continue;
      for (const one of shownBy(model, young)) if (one.shows[character] === state) p += young.p * one.p;
    }
    known.set(key, p);
    return p;
  };
}

/**
 * What a clutch with or without one that tells would say of whether either parent carries an allele: the mutual
 * information of the two (Shannon 1948), in bits.
 */
function toldBy(
  { model }: ReadyQuestion,
  { locus, allele }: Extract<PairGoal, { locus: string }>,
  shares: readonly (Couple & { tells: number })[],
  clutch: number,
): number {
  const at = model.loci.findIndex(({ id }) => id === locus);
  const wanted = model.loci[at].alleles.indexOf(allele);
  const carriers = new Map<string, { p: number; found: number }>();
  for (const { father, mother, p, tells } of shares) {
    const key = `${carries(wanted, ...father[at])} ${carries(wanted, ...mother[at])}`;
    const sum = carriers.get(key) ?? { p: 0, found: 0 };
    sum.p += p;
    sum.found += p * (1 - (1 - tells) ** clutch);
    carriers.set(key, sum);
  }
  const entropy = (q: number) => [q, 1 - q].reduce((sum, one) => sum - (one > 0 ? one * Math.log2(one) : 0), 0);
  const all = [...carriers.values()];
  const found = all.reduce((sum, one) => sum + one.found, 0);
  const left = all.reduce((sum, one) => sum + (one.p > 0 ? one.p * entropy(Math.min(1, one.found / one.p)) : 0), 0);
  return Math.max(0, entropy(Math.min(1, found)) - left);
}
