import { compiledFor, type Guide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import {
  type Asked,
  type Item,
  markSeen,
  type MarkSeen,
  type PracticeAnswer,
  practiceItem,
  type Why,
  whyOf,
} from '@plesion/core/practice';

export interface ItemsTask {
  guide: Guide;
  /** With what was said of it, where it is to be explained. */
  wanted: { asked: Asked; seed: string; said?: PracticeAnswer }[];
}

export interface Made {
  item: Item;
  why?: Why;
  mark?: MarkSeen;
}

/** The items that are wanted, in their order; nothing in the place of one that there is none for. */
export function makeItems({ guide, wanted }: ItemsTask): (Made | undefined)[] {
  const plan = planOf(guide);
  if (!plan) return wanted.map(() => undefined);
  return wanted.map(({ asked, seed, said }) => {
    const compiled = compiledFor(guide, asked.situation);
    const item = practiceItem(compiled, plan, asked, seed);
    if (!item || !said) return item && { item };
    const mark = markSeen(compiled, item, said);
    // Of a single mark nothing is named, and nothing held against anything.
    return asked.character === undefined ? { item, mark, why: whyOf(compiled, item, said.groups) } : { item, mark };
  });
}
