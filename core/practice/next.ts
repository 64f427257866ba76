import { dueOf, type Memories, memoryKey } from './memory';
import type { Pair } from './pairs';
import type { Memory } from './schema';

/** Why a pair is asked now. */
export type NextWhy = 'due' | 'confused' | 'new' | 'kept';

export interface NextPair {
  of: [string, string];
  why: NextWhy;
}

export interface Course {
  guideId: string;
  memories: Memories;
  pairs: readonly Pair[];
  /** Keys of the pairs asked just before, which are left alone where there are others. */
  before: readonly string[];
  now: Date;
}

/** A pair is held from this share of right answers on. */
const HELD = 0.8;

/** One who has answered less often with a guide is led in by what is easily seen. */
const BEGINNER = 8;

/** Answers that the guide's own overlap weighs as much as. */
const WEIGHT = 2;

/** How likely a pair is taken for each other: what was answered lately, and how little the guide tells them apart by. */
function likelyWrong({ apart }: Pair, memory: Memory | undefined): number {
  const lately = memory?.lately ?? [];
  const wrong = lately.filter((right) => !right).length;
  return (wrong + (WEIGHT * Math.exp(-apart / 2)) / 2) / (lately.length + WEIGHT);
}

/**
 * The pair to be asked next: what is due, the longest overdue first; what this person confuses; for one who begins the
 * widest in shape, then pattern, then colour; then those the guide says overlap, as far as they are not held yet.
 */
export function nextPair({ guideId, memories, pairs, before, now }: Course): NextPair | undefined {
  const keyed = pairs.map((pair) => ({ pair, key: memoryKey('pair', guideId, pair.of) }));
  const rested = keyed.filter(({ key }) => !before.includes(key));
  const open = (rested.length ? rested : keyed).map((one) => ({ ...one, memory: memories.get(one.key) }));
  const byKey = new Map(open.map((one) => [one.key, one.pair]));
  const due = dueOf(memories, now).find((one) => byKey.has(memoryKey(one.kind, one.guideId, one.of)));
  if (due) return { of: byKey.get(memoryKey('pair', guideId, due.of))!.of, why: 'due' };
  const likeliest = (some: typeof open) =>
    some.reduce((best, one) => (likelyWrong(one.pair, one.memory) > likelyWrong(best.pair, best.memory) ? one : best));
  const confused = open.filter(({ memory }) => memory && shareOf(memory) < HELD);
  if (confused.length) return { of: likeliest(confused).pair.of, why: 'confused' };
  const fresh = open.filter(({ memory }) => !memory);
  const answers = keyed.reduce((sum, { key }) => sum + (memories.get(key)?.answers ?? 0), 0);
  if (fresh.length && answers < BEGINNER) return { of: fresh.map(({ pair }) => pair).sort(widestFirst)[0].of, why: 'new' };
  if (!open.length) return undefined;
  const next = likeliest(open);
  return { of: next.pair.of, why: next.memory ? 'kept' : 'new' };
}

const shareOf = ({ lately }: Memory): number => lately.filter(Boolean).length / lately.length;

/** A difference of less than this is none to be led in by. */
const WIDE = 0.5;

const widestFirst = (a: Pair, b: Pair): number => {
  for (const group of ['shape', 'pattern', 'colour'] as const) {
    const [own, other] = [a.byGroup[group], b.byGroup[group]];
    if (own >= WIDE || other >= WIDE) return other - own || b.apart - a.apart;
  }
  return b.apart - a.apart;
};

/** Steps of hardness: up by one after a right answer, down by four after a wrong one. */
const UP = 0.05;
const DOWN = 0.2;

/**
 * How hard the next is to be, 0..1, by the answers so far: weighted up and down, so that 80 in 100 are right in the
 * long run (Kaernbach 1991: UP · p = DOWN · (1 − p)).
 */
export const hardnessAfter = (answers: readonly boolean[]): number =>
  answers.reduce((hard, right) => Math.min(1, Math.max(0, hard + (right ? UP : -DOWN))), 0);
