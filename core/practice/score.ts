import type { Item, PracticeAnswer } from './schema';
import type { MarkSeen } from './seen';
import type { Why } from './why';
import { CERTAINTY } from './vocabulary';

/** What a further glimpse costs, in bits. */
const AGAIN = 0.5;

/** What an answer was worth. */
export interface Scored {
  /** The probability that the answer gave to the truth, 0..1. */
  p: number;
  /** log2 of it against log2 of chance (Good 1952): above 0 it was better than not knowing. */
  bits: number;
  /** Was what may be said, said: the truth named, or that it cannot be told where it cannot. */
  right: boolean;
}

/**
 * Score an answer by the truth. Two groups share what they are given; what is left is spread over the others. "Cannot
 * be told" is chance, and right where the drawing does not tell. A glimpse that was had again costs half a bit.
 */
export function scoreAnswer(
  { choices, truth }: Pick<Item, 'choices' | 'truth'>,
  { groups, sure, again = 0 }: PracticeAnswer,
): Scored {
  const chance = 1 / choices.length;
  const cost = AGAIN * again;
  if (!groups.length) return { p: chance, bits: 0 - cost, right: truth.best.kind === 'untold' };
  const said = groups.length / choices.length;
  // Never less than chance: a guess is one.
  const given = said >= 1 ? 1 : Math.max(CERTAINTY[sure], said);
  const named = groups.includes(truth.group);
  const p = named ? given / groups.length : (1 - given) / (choices.length - groups.length);
  return { p, bits: Math.log2(p / chance) - cost, right: named };
}

/** A mark decides that tells at least this share of what the best one tells. */
const DECIDES = 0.5;

/** Score a mark that was found: does it decide between the two? It names nothing. */
export function scoreSpot(why: Why | undefined, character: string | undefined): Scored {
  const bits = why?.readings.find(({ reading }) => reading.character === character)?.bits ?? 0;
  const best = why?.readings[0]?.bits ?? 0;
  const right = bits > 0 && bits >= DECIDES * best;
  return { p: right ? 1 : 0, bits: 0, right };
}

/** Score the reading of a single mark: as it is, or not; it names nothing. */
export const scoreMark = (mark: MarkSeen | undefined): Scored => ({
  p: mark?.right ? 1 : 0,
  bits: 0,
  right: mark?.right === true,
});
