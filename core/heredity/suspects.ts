import { TooTangled } from './factor';
import { type Network, networkOf, solve } from './network';
import { type Parent, type ReadyKin, strangerOf } from './pedigree';
import type { ReadyQuestion } from './posterior';
import type { Separated } from './separated';

/** How often one that lays, kept alone, lays none in the time. */
const LAYS_NONE = 0.1;
/** How often two of a group lay, where one egg was found. */
const TWO_LAY = 0.02;

/** What each result of keeping one alone is worth: for it, and for all others of the group. */
const WORTH: Record<Separated, { own: number; others: number }> = {
  laid: { own: 1, others: TWO_LAY },
  none: { own: LAYS_NONE, others: 1 },
  another: { own: TWO_LAY, others: 1 },
};

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

/** Of what grew, and of what was tried since. */
interface Beside {
  /** What it grew to, if anything: chances by character. */
  seen?: ReadyKin['seen'];
  /** How likely a sex is wrong that was written as certain. */
  sexError?: number;
  separated?: readonly { id: string; found: Separated }[];
}

/**
 * Whose is it? Something of a group, such as an egg, is of one member that nobody saw: the chance of each, given all
 * records of sex, phenotypes and pedigree, and what came of keeping some alone.
 *
 * @param group members, with how likely each is beforehand beside the others.
 * @param role what the owner is to it: its mother, or its father.
 * @returns nothing where it can be of none of them.
 */
export function suspectsOf(
  { model, kin: written, placeOf }: ReadyQuestion,
  group: readonly { id: string; weight: number }[],
  role: 'mother' | 'father',
  { seen = [], sexError = 0, separated = [] }: Beside = {},
): Suspects | undefined {
  const tried = group.map(({ id, weight }) =>
    separated.reduce((all, { id: who, found }) => all * (who === id ? WORTH[found].own : WORTH[found].others), weight),
  );
  const sum = tried.reduce((all, weight) => all + weight, 0);
  const candidates = group.map(({ id }, i) => ({ at: placeOf.get(id)!, weight: tried[i] / sum }));
  const kin = [...written];
  for (const { at } of candidates) {
    const { sex } = kin[at];
    kin[at] = { ...kin[at], sex: { female: sex.female || sexError, male: sex.male || sexError } };
  }
  const logs = logsOf(model, kin, candidates, role, seen);
  const most = Math.max(...logs);
  if (!(most > -Infinity)) return undefined;
  const all = logs.reduce((total, log) => total + Math.exp(log - most), 0);
  const chances = logs.map((log) => Math.exp(log - most) / all);
  const members = group.map(({ id }, i) => ({ id, p: chances[i] })).sort((a, b) => b.p - a.p || (a.id < b.id ? -1 : 1));
  // The last two are told apart by one separation.
  const separations = members.reduce((total, { p }, i) => total + p * Math.min(i + 1, Math.max(members.length - 1, 0)), 0);
  return { members, separations };
}

/** How likely all records are, were it of each: natural logarithms, up to what is the same for all. */
function logsOf(
  model: ReadyQuestion['model'],
  kin: readonly ReadyKin[],
  candidates: readonly Parent[],
  role: 'mother' | 'father',
  seen: ReadyKin['seen'],
): number[] {
  const mate = strangerOf(role === 'mother' ? 'male' : 'female');
  const other = [{ at: kin.length + 1, weight: 1 }];
  const of = (parents: readonly Parent[]): Network => {
    const sides = role === 'mother' ? { mother: parents, father: other } : { father: parents, mother: other };
    return networkOf(model, [...kin, { id: '', sex: { female: 1, male: 1 }, ...sides, seen, lived: false }, mate]);
  };
  try {
    const network = of(candidates);
    const choice = network.kin[kin.length][role];
    if (choice !== undefined) return [...solve(network).joint([choice])].map(Math.log);
  } catch (error) {
    // All of a group hang together by whose it may be; one by one they do not.
    if (!(error instanceof TooTangled)) throw error;
  }
  return candidates.map((one) => Math.log(one.weight) + solve(of([{ ...one, weight: 1 }]), false).logSum);
}
