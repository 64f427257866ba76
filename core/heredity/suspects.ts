import { networkOf, solve } from './network';
import { type ReadyKin, strangerOf } from './pedigree';
import type { ReadyQuestion } from './posterior';

export interface Suspect {
  id: string;
  p: number;
}

export interface Suspects {
  /** The likeliest first: in this order they are separated. */
  members: Suspect[];
  /** How many separations it takes on average, one at a time in that order, where each shows whether it was it. */
  separations: number;
}

/**
 * Whose is it? Something of a group, such as an egg, is of one member that nobody saw: the chance of each, given all
 * records of sex, phenotypes and pedigree.
 *
 * @param group members, with how likely each is beforehand beside the others.
 * @param role what the owner is to it: its mother, or its father.
 * @param seen of what it grew to, if anything: chances by character.
 * @returns nothing where it can be of none of them.
 */
export function suspectsOf(
  { model, kin, placeOf }: ReadyQuestion,
  group: readonly { id: string; weight: number }[],
  role: 'mother' | 'father',
  seen: ReadyKin['seen'] = [],
): Suspects | undefined {
  const sum = group.reduce((all, { weight }) => all + weight, 0);
  const candidates = group.map(({ id, weight }) => ({ at: placeOf.get(id)!, weight: weight / sum }));
  const stranger = kin.length + 1;
  const other = [{ at: stranger, weight: 1 }];
  const one: ReadyKin = {
    id: '',
    sex: { female: 1, male: 1 },
    father: role === 'father' ? candidates : other,
    mother: role === 'mother' ? candidates : other,
    seen,
    lived: false,
  };
  const mate = strangerOf(role === 'mother' ? 'male' : 'female');
  const network = networkOf(model, [...kin, one, mate]);
  const solved = solve(network);
  if (!(solved.logSum > -Infinity)) return undefined;
  const choice = network.kin[kin.length][role];
  const chances = choice === undefined ? [1] : [...solved.joint([choice])];
  const members = group.map(({ id }, i) => ({ id, p: chances[i] })).sort((a, b) => b.p - a.p || (a.id < b.id ? -1 : 1));
  // The last two are told apart by one separation.
  const separations = members.reduce((total, { p }, i) => total + p * Math.min(i + 1, Math.max(members.length - 1, 0)), 0);
  return { members, separations };
}
