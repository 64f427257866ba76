import type { Asked, Item, JudgedStep, PracticeAnswer } from './schema';
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

/** Each couplet on an individual's way, by the lead that was taken first; what was not come to is not right. */
export const judgedSteps = ({ drill }: Pick<Item, 'drill'>, { steps = [] }: PracticeAnswer): JudgedStep[] =>
  drill!.steps.map(({ couplet, number, leads }) => {
    const taken = steps.find((step) => step.couplet === couplet);
    return { couplet, number, right: !!taken && leads.includes(taken.lead), ...(taken ? { seconds: taken.seconds } : {}) };
  });

/** Score a walk through a key: right where no couplet was missed. */
function scoreDrill(item: Pick<Item, 'drill'>, answer: PracticeAnswer): Scored {
  const right = judgedSteps(item, answer).every((step) => step.right);
  return { p: right ? 1 : 0, bits: 0, right };
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

/** A number by eye is right within this factor of it, up or down. */
const NEAR_NUMBER = 1.2;

/** Counts of a colony are right where so few are missed, taken twice or taken for another: one in twenty, or one. */
const MISSED = 1 / 20;

/** How many there are of each group in a flock. */
export function countsOf({ individuals, members }: NonNullable<Item['flock']>): Map<string, number> {
  const counts = new Map<string, number>();
  for (const { of } of members) counts.set(individuals[of].group, (counts.get(individuals[of].group) ?? 0) + 1);
  return counts;
}

/** The odd one of a flock, from 0. */
export const oddOf = ({ flock, truth }: Pick<Item, 'flock' | 'truth'>): number =>
  flock!.members.findIndex(({ of }) => flock!.individuals[of].group === truth.group);

/** Score what was said of many at once; it gives no probability. */
export function scoreFlock({ flock, truth }: Item, { picked, number, counts = {} }: PracticeAnswer): Scored {
  const { task, members } = flock!;
  const right = {
    odd: () => picked === oddOf({ flock, truth }),
    many: () => !!number && Math.max(number / members.length, members.length / number) <= NEAR_NUMBER,
    tally: () => {
      const all = countsOf(flock!);
      const groups = [...new Set([...all.keys(), ...Object.keys(counts)])];
      const off = groups.reduce((sum, group) => sum + Math.abs((counts[group] ?? 0) - (all.get(group) ?? 0)), 0);
      return off <= Math.max(1, MISSED * members.length);
    },
  }[task]();
  return { p: right ? 1 : 0, bits: 0, right };
}

/** Score what was said of an item, by what was asked. */
export function scoreOf(asked: Asked, item: Item, answer: PracticeAnswer, why?: Why, mark?: MarkSeen): Scored {
  if (item.flock) return scoreFlock(item, answer);
  if (item.drill) return scoreDrill(item, answer);
  if (asked.spot) return scoreSpot(why, answer.wentBy?.character);
  return asked.character === undefined ? scoreAnswer(item, answer) : scoreMark(mark);
}

/** Score the reading of a single mark: as it is, or not; it names nothing. */
export const scoreMark = (mark: MarkSeen | undefined): Scored => ({
  p: mark?.right ? 1 : 0,
  bits: 0,
  right: mark?.right === true,
});
