import { measureSets, type TakenSets } from './measureSets';
import { agreementOf, type Agreement, reliabilityOf, type Reliability } from './reliability';

/** One measurement of a thing by somebody: what it is, who, and all that was set. */
export interface Taken extends TakenSets {
  /** What was measured: the same for all who measured it. */
  thing: string;
  by: string;
}

/** The values that somebody got of one thing, each time it was measured. */
export interface Repeated {
  thing: string;
  by: string;
  values: number[];
  unit: string;
}

/**
 * The value of each set by itself; measurements of one thing by one person are put together.
 * Those without a scale are left out where others have one: they are in another unit.
 */
export function repeatedOf(all: readonly Taken[]): Repeated[] {
  const found = new Map<string, Repeated>();
  for (const { thing, by, sets, ...rest } of all)
    for (const set of sets) {
      const one = measureSets({ ...rest, sets: [set] }).values[0];
      if (!one) continue;
      const name = JSON.stringify([thing, by, one.unit]);
      const group = found.get(name) ?? { thing, by, values: [], unit: one.unit };
      group.values.push(one.value);
      found.set(name, group);
    }
  const groups = [...found.values()];
  const inPixels = (unit: string) => unit.startsWith('px');
  return groups.some(({ unit }) => !inPixels(unit)) ? groups.filter(({ unit }) => !inPixels(unit)) : groups;
}

/** How well one person measures a character. */
export interface PersonReliability {
  by: string;
  reliability: Reliability;
}

/** Technical error and repeatability of each person who measured two things twice or more. */
export const reliabilityByPerson = (groups: readonly Repeated[]): PersonReliability[] =>
  [...new Set(groups.map(({ by }) => by))].flatMap((by) => {
    const reliability = reliabilityOf(groups.filter((one) => one.by === by).map(({ values }) => values));
    return reliability ? [{ by, reliability }] : [];
  });

/** How two people agree on the things that both measured. */
export interface PeopleAgreement {
  people: [string, string];
  agreement: Agreement;
}

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/** Limits of agreement of each two people who measured at least three things both. */
export function agreementByPeople(groups: readonly Repeated[]): PeopleAgreement[] {
  const people = [...new Set(groups.map(({ by }) => by))].sort();
  const valueOf = (thing: string, by: string) => groups.find((one) => one.thing === thing && one.by === by)?.values;
  const things = [...new Set(groups.map(({ thing }) => thing))];
  return people.flatMap((a, i) =>
    people.slice(i + 1).flatMap((b): PeopleAgreement[] => {
      const pairs = things.flatMap((thing): [number, number][] => {
        const [x, y] = [valueOf(thing, a), valueOf(thing, b)];
        return x && y ? [[mean(x), mean(y)]] : [];
      });
      const agreement = agreementOf(pairs);
      return agreement ? [{ people: [a, b], agreement }] : [];
    }),
  );
}
