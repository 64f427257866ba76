import { compiledFor, type Guide } from '@plesion/core/guide';
import { planOf } from '@plesion/core/plates/plans';
import { type Asked, type Item, practiceItem } from '@plesion/core/practice';

export interface ItemsTask {
  guide: Guide;
  wanted: { asked: Asked; seed: string }[];
}

/** The items that are wanted, in their order; nothing in the place of one that there is none for. */
export function makeItems({ guide, wanted }: ItemsTask): (Item | undefined)[] {
  const plan = planOf(guide);
  if (!plan) return wanted.map(() => undefined);
  const compiled = compiledFor(guide);
  return wanted.map(({ asked, seed }) => practiceItem(compiled, plan, asked, seed));
}
