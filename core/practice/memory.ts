import { type Card, createEmptyCard, fsrs, type Grade, Rating } from 'ts-fsrs';
import type { Memory } from './schema';
import type { CertaintyWord, MemoryKind } from './vocabulary';

/** What one answer says of what is remembered. */
export interface Seen {
  guideId: string;
  /** An instant. */
  at: string;
  right: boolean;
  sure: CertaintyWord;
  /** The truth, and what it was held against. */
  pair?: readonly [string, string];
  /** The character that was read, and whether it was read right. */
  mark?: { character: string; right: boolean };
}

export type Memories = ReadonlyMap<string, Memory>;

/** Answers that tell how one does now. */
const LATELY = 10;

export const memoryKey = (kind: MemoryKind, guideId: string, of: readonly string[]): string =>
  [kind, guideId, ...[...of].sort()].join(' ');

/** Nothing is left to chance: the same answers make the same memories on every device. */
const scheduler = fsrs({ enable_fuzz: false, enable_short_term: false });

/**
 * Memories after more answers, in the order in which they were given: one a pair and one a mark, each with its due date by FSRS (ts-fsrs; Ye, Su & Cao
 * 2022). What was wrong is forgotten; what was right is the firmer, the surer one was.
 */
export function remember(memories: Memories, all: readonly Seen[]): Memories {
  const next = new Map(memories);
  const keep = ({ guideId, at, sure }: Seen, kind: MemoryKind, of: readonly string[], held: boolean) => {
    const key = memoryKey(kind, guideId, of);
    const known = next.get(key) ?? {
      kind,
      guideId,
      of: [...of].sort(),
      answers: 0,
      right: 0,
      lately: [],
      card: createEmptyCard(at),
    };
    next.set(key, {
      ...known,
      answers: known.answers + 1,
      right: known.right + (held ? 1 : 0),
      lately: [...known.lately, held].slice(-LATELY),
      card: written(scheduler.next(known.card, notBefore(known, at), gradeOf(held, sure)).card),
    });
  };
  for (const seen of all) {
    if (seen.pair) keep(seen, 'pair', seen.pair, seen.right);
    if (seen.mark) keep(seen, 'mark', [seen.mark.character], seen.mark.right);
  }
  return next;
}

/** Clocks differ: nothing is answered before what was answered last. */
const notBefore = ({ card: { last_review } }: Pick<Memory, 'card'>, at: string): string =>
  last_review !== undefined && last_review > at ? last_review : at;

/** Times as instants: so it is sent, and kept. */
const written = ({ due, last_review, ...card }: Card): Memory['card'] => ({
  ...card,
  due: due.toISOString(),
  ...(last_review ? { last_review: last_review.toISOString() } : {}),
});

function gradeOf(right: boolean, sure: CertaintyWord): Grade {
  if (!right) return Rating.Again;
  if (sure === 'guess' || sure === 'leaning') return Rating.Hard;
  return sure === 'certain' ? Rating.Easy : Rating.Good;
}

/** Memories whose time has come, the longest overdue first. */
export const dueOf = (memories: Memories, now: Date): Memory[] =>
  [...memories.values()].filter(({ card }) => card.due <= now.toISOString()).sort((a, b) => (a.card.due < b.card.due ? -1 : 1));

/** How likely it is still known, 0..1. */
export const retained = ({ card }: Memory, now: Date): number =>
  scheduler.get_retrievability(card, notBefore({ card }, now.toISOString()), false);
