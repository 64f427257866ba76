import { done, failed, type Outcome, type Problem } from '../problem';
import { type ReadyModel, readyModel } from '../guide/heredityModel';
import type { HeredityModel } from '../guide/hereditySchema';
import type { Kin, Pedigree, Seen } from './schema';
import { type Sex, SEXES } from '../guide/heredityVocabulary';

/** A parent that an individual may have, as a place in the ready pedigree, and how likely it is beforehand. */
export interface Parent {
  at: number;
  weight: number;
}

/** An individual made ready; those that stand for a parent nobody knows have no id. */
export interface ReadyKin {
  id?: string;
  /** The chance of what was said of its sex, given each. */
  sex: Readonly<Record<Sex, number>>;
  /** None of a founder; else one, or several that it may be, whose weights sum to 1. */
  father?: readonly Parent[];
  mother?: readonly Parent[];
  /** By character: the chance of what was seen, given each state. */
  seen: readonly { character: number; chances: readonly number[] }[];
  /** Did it live to be recorded? */
  lived: boolean;
  /** How common alleles are in its strain, where that is said. */
  founders?: Frequencies;
}

/** By locus, of each allele by its number. */
export type Frequencies = readonly Float64Array[];

/** Who stands for a parent that nobody knows: of that parent's sex, and otherwise anybody. */
export const strangerOf = (sex: Sex, founders?: Frequencies): ReadyKin => ({
  sex: { female: Number(sex === 'female'), male: Number(sex === 'male') },
  seen: [],
  lived: true,
  ...(founders ? { founders } : {}),
});

const problem = (id: string, field: string, code: string, message: string): Problem => ({
  code,
  field: `individuals.${id}.${field}`,
  message,
});

/**
 * Make a pedigree ready: parents by their places, before their young; a parent that is not known where the other is,
 * stands there as a founder. Or what is wrong, each by individual and field.
 *
 * @param strains how common alleles are in strains, by name; parents that are not known are of their young's.
 */
export function readyPedigree(
  { characters }: Pick<ReadyModel, 'characters'>,
  pedigree: Pedigree,
  strains: ReadonlyMap<string, Frequencies> = new Map(),
): Outcome<ReadyKin[]> {
  const problems: Problem[] = [];
  const byId = new Map(pedigree.map((one) => [one.id, one]));
  if (byId.size < pedigree.length) {
    const twice = pedigree.find((one) => byId.get(one.id) !== one)!;
    problems.push(
      problem(twice.id, 'id', 'twice', `“${twice.id}” stands twice; make one individual of it, or give them different ids.`),
    );
  }
  for (const one of pedigree) checkParents(one, byId, problems);
  const order = problems.length ? [] : inOrder(pedigree, problems);
  const seen = new Map<string, ReadyKin['seen']>();
  for (const { id, phenotypes } of pedigree) {
    const own = seenOf({ characters }, `individuals.${id}.phenotypes`, phenotypes);
    if (own.ok) seen.set(id, own.value);
    else problems.push(...own.problems);
  }
  if (problems.length) return failed(...problems);

  const kin: ReadyKin[] = [];
  const placeOf = new Map<string, number>();
  for (const one of order) {
    const founders = strains.get(one.strain ?? '');
    const unknown = (sex: Sex): number => kin.push(strangerOf(sex, founders)) - 1;
    const parentsOf = (named: string | undefined, several: Kin['fathers'], sex: Sex): Parent[] | undefined => {
      const all = several ?? (named === undefined ? [] : [{ id: named, weight: 1 }]);
      const sum = all.reduce((sofar, { weight }) => sofar + weight, 0);
      return all.length
        ? all.map(({ id, weight }) => ({ at: id === null ? unknown(sex) : placeOf.get(id)!, weight: weight / sum }))
        : undefined;
    };
    let father = parentsOf(one.father, one.fathers, 'male');
    let mother = parentsOf(one.mother, one.mothers, 'female');
    if (father && !mother) mother = [{ at: unknown('female'), weight: 1 }];
    if (mother && !father) father = [{ at: unknown('male'), weight: 1 }];
    placeOf.set(one.id, kin.length);
    kin.push({
      id: one.id,
      sex: sexOf(one.sex),
      ...(father ? { father } : {}),
      ...(mother ? { mother } : {}),
      seen: seen.get(one.id)!,
      lived: one.died === undefined,
      ...(founders ? { founders } : {}),
    });
  }
  return done(kin);
}

/** What was seen of one, made ready: the chance of each reading by the states that there are. */
export function seenOf(
  { characters }: Pick<ReadyModel, 'characters'>,
  field: string,
  phenotypes: Kin['phenotypes'],
): Outcome<ReadyKin['seen']> {
  const problems: Problem[] = [];
  const seen = Object.entries(phenotypes).flatMap(([name, one]) => {
    const character = characters.findIndex(({ id }) => id === name);
    const states = characters[character]?.states;
    const strange = states && statesOf(one).find((state) => !states.includes(state));
    if (!states)
      problems.push({
        code: 'no-character',
        field: `${field}.${name}`,
        message: `There is no character “${name}” by which genotypes are seen.`,
      });
    else if (strange !== undefined)
      problems.push({
        code: 'unknown-state',
        field: `${field}.${name}`,
        message: `“${name}” has no state “${strange}”; it has ${states.join(', ')}.`,
      });
    else return [{ character, chances: chancesOf(one, states) }];
    return [];
  });
  return problems.length ? failed(...problems) : done(seen);
}

/** What is wrong with what was seen, by the characters and states that a model has. */
export function seenProblems(model: HeredityModel, field: string, phenotypes: Kin['phenotypes']): Problem[] {
  const ready = readyModel(model);
  const seen = ready.ok ? seenOf(ready.value, field, phenotypes) : ready;
  return seen.ok ? [] : [...seen.problems];
}

/** By what genotypes are seen, with its states. */
export function heredityCharacters(model: HeredityModel): { id: string; states: readonly string[] }[] {
  const ready = readyModel(model);
  return ready.ok ? ready.value.characters.map(({ id, states }) => ({ id, states })) : [];
}

const statesOf = (seen: Seen): readonly string[] => (typeof seen === 'string' ? [seen] : seen.states);

/** The chance of the reading given each state: it says one of these with its certainty, and another as the rest. */
const chancesOf = (seen: Seen, states: readonly string[]): number[] => {
  const certainty = typeof seen === 'string' ? 1 : seen.certainty;
  return states.map((state) => (statesOf(seen).includes(state) ? certainty : 1 - certainty));
};

const sexOf = (sex: Kin['sex']): Record<Sex, number> => {
  if (sex === undefined) return { female: 1, male: 1 };
  const [called, certainty] = typeof sex === 'string' ? [sex, 1] : [sex.called, sex.certainty];
  return { female: called === 'female' ? certainty : 1 - certainty, male: called === 'male' ? certainty : 1 - certainty };
};

function checkParents(one: Kin, byId: ReadonlyMap<string, Kin>, problems: Problem[]): void {
  for (const [role, several, sex] of [
    ['father', 'fathers', 'male'],
    ['mother', 'mothers', 'female'],
  ] as const) {
    const [named, all] = [one[role], one[several]];
    if (named !== undefined && all)
      problems.push(problem(one.id, several, 'both', `Give either “${role}” or “${several}”, not both.`));
    const ids = all?.map(({ id }) => id) ?? (named === undefined ? [] : [named]);
    if (new Set(ids).size < ids.length) problems.push(problem(one.id, several, 'twice', 'One of these stands twice.'));
    for (const id of ids) {
      if (id === null) continue;
      const parent = byId.get(id);
      const other = SEXES.find((word) => word !== sex)!;
      if (!parent)
        problems.push(
          problem(one.id, all ? several : role, 'unknown-individual', `There is no individual “${id}”; add it, or leave it out.`),
        );
      else if (!all && parent.sex === other)
        problems.push(
          problem(
            one.id,
            role,
            'wrong-sex',
            `“${id}” is a ${other} and cannot be the ${role} of “${one.id}”. Change one of the two.`,
          ),
        );
    }
  }
}

/** Parents before their young; nobody is an ancestor of itself. */
function inOrder(pedigree: Pedigree, problems: Problem[]): Kin[] {
  const byId = new Map(pedigree.map((one) => [one.id, one]));
  const order: Kin[] = [];
  const state = new Map<string, 'open' | 'done'>();
  for (const root of pedigree) {
    // By hand and not by recursion: a line of two thousand generations is a pedigree too.
    const stack: { one: Kin; left: string[] }[] = [];
    const enter = (one: Kin) => {
      state.set(one.id, 'open');
      stack.push({ one, left: parentIds(one) });
    };
    if (!state.has(root.id)) enter(root);
    while (stack.length) {
      const top = stack[stack.length - 1];
      const next = top.left.pop();
      if (next === undefined) {
        state.set(top.one.id, 'done');
        order.push(top.one);
        stack.pop();
      } else if (state.get(next) === 'open') {
        problems.push(
          problem(
            next,
            'father',
            'own-ancestor',
            `“${next}” would be its own ancestor; one of its parents, or of theirs, is wrong.`,
          ),
        );
        return [];
      } else if (!state.has(next)) enter(byId.get(next)!);
    }
  }
  return order;
}

/** Whoever may be a parent of it, by id. */
export const parentIds = (one: Kin): string[] =>
  [one.father, one.mother, ...(one.fathers ?? []).map(({ id }) => id), ...(one.mothers ?? []).map(({ id }) => id)].filter(
    (id): id is string => typeof id === 'string',
  );
