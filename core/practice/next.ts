import { dueOf, type Memories, memoryKey, retained } from './memory';
import type { Pair } from './pairs';

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

/** So many pairs are learned at once; new ones wait until some are held. */
const AT_ONCE = 4;

/**
 * The pair to be asked next: what is due, the longest overdue first; what this person confuses; a new one, the widest
 * in shape, then pattern, then colour first; else what is most likely forgotten.
 */
export function nextPair({ guideId, memories, pairs, before, now }: Course): NextPair | undefined {
  const keyed = pairs.map((pair) => ({ pair, key: memoryKey('pair', guideId, pair.of) }));
  const rested = keyed.filter(({ key }) => !before.includes(key));
  const open = rested.length ? rested : keyed;
  const byKey = new Map(open.map((one) => [one.key, one.pair]));
  const due = dueOf(memories, now).find((one) => byKey.has(memoryKey(one.kind, one.guideId, one.of)));
  if (due) return { of: byKey.get(memoryKey('pair', guideId, due.of))!.of, why: 'due' };
  const met = open.flatMap(({ pair, key }) => {
    const memory = memories.get(key);
    return memory ? [{ pair, memory, share: memory.lately.filter(Boolean).length / memory.lately.length }] : [];
  });
  const confused = met.filter(({ share }) => share < HELD).sort((a, b) => a.share - b.share);
  const fresh = open.filter(({ key }) => !memories.has(key)).map(({ pair }) => pair);
  if (confused.length >= AT_ONCE || (confused.length && !fresh.length)) return { of: confused[0].pair.of, why: 'confused' };
  if (fresh.length) return { of: fresh.sort(widestFirst)[0].of, why: 'new' };
  const [weakest] = met.sort((a, b) => retained(a.memory, now) - retained(b.memory, now));
  return weakest && { of: weakest.pair.of, why: 'kept' };
}

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
