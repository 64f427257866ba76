import { compiledFor, type Guide, knownGuide } from '@plesion/core/guide';
import type { Key } from '@plesion/core/keys';
import { planOf } from '@plesion/core/plates/plans';
import {
  type Asked,
  type Item,
  markSeen,
  type MarkSeen,
  photoItem,
  type PracticeAnswer,
  practiceItem,
  type VerifiedPhoto,
  type Why,
  whyOf,
} from '@plesion/core/practice';
import { keyDrill } from '@plesion/core/practice/keyDrill';

export interface ItemsTask {
  guide: Guide;
  /** Of its content: what was made of it once is found again. */
  hash?: string;
  /** With what was said of it, where it is to be explained; with the key through which it is taken. */
  wanted: { asked: Asked; seed: string; said?: PracticeAnswer; key?: Key; photo?: VerifiedPhoto }[];
}

export interface Made {
  item: Item;
  why?: Why;
  mark?: MarkSeen;
}

/** The items that are wanted, in their order; nothing in the place of one that there is none for. */
export function makeItems({ guide: given, hash, wanted }: ItemsTask): (Made | undefined)[] {
  const guide = hash === undefined ? given : knownGuide(hash, given);
  const plan = planOf(guide);
  if (!plan) return wanted.map(() => undefined);
  return wanted.map(({ asked, seed, said, key, photo }) => {
    const compiled = compiledFor(guide, asked.situation);
    const item = asked.photo
      ? photo && photoItem(compiled, asked, photo, seed)
      : asked.walk
        ? key && keyDrill(compiled, plan, key, asked, seed)
        : practiceItem(compiled, plan, asked, seed);
    if (!item || !said) return item && { item };
    const mark = markSeen(compiled, item, said);
    // Of a single mark nothing is named, and nothing held against anything.
    return asked.character === undefined ? { item, mark, why: whyOf(compiled, item, said.groups) } : { item, mark };
  });
}
