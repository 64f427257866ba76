import { compiledFor, type Guide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { type Asked, type Item, practiceItem, type Why, whyOf } from '@plesion/core/practice';

export interface ItemsTask {
  guide: Guide;
  /** With what was said of it, where it is to be explained. */
  wanted: { asked: Asked; seed: string; said?: string[] }[];
}

export interface Made {
  item: Item;
  why?: Why;
}

/** The items that are wanted, in their order; nothing in the place of one that there is none for. */
export function makeItems({ guide, wanted }: ItemsTask): (Made | undefined)[] {
  const plan = planOf(guide);
  if (!plan) return wanted.map(() => undefined);
  const compiled = compiledFor(guide);
  return wanted.map(({ asked, seed, said }) => {
    const item = practiceItem(compiled, plan, asked, seed);
    return item && { item, ...(said ? { why: whyOf(compiled, item, said) } : {}) };
  });
}
