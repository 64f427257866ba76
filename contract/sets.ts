import { Reading } from '@plesion/core/observation/schema';
import { Asked, Item, PracticeAnswer } from '@plesion/core/practice/schema';
import { z } from 'zod';
import { ScoredAnswer } from './practice';

const instant = z.iso.datetime({ offset: true });
const count = z.number().int().min(0);

/** Told at once what each was; or only when whoever gave it says so. */
export const SET_KINDS = ['lesson', 'test'] as const;

/** Items of a set at most: an hour’s worth. */
export const MOST_ITEMS = 60;

/** One item of a set: what it is made from. Of many at once, and of keys, there are no sets. */
export const SetItem = z.strictObject({
  seed: z.string().min(1).max(60),
  asked: Asked.refine(({ flock, walk, photo }) => !flock && !walk && !photo, {
    error: 'ask for one at a time, and through no key',
  }),
});
export type SetItem = z.output<typeof SetItem>;

/** A set as its teacher writes it, and the version they last saw (0 for a new one). */
export const SetWrite = z
  .strictObject({
    version: z.number().int().min(0),
    title: z.string().trim().min(1, 'give it a title').max(120),
    guideId: z.uuid(),
    guideVersion: z.number().int().min(1),
    kind: z.enum(SET_KINDS),
    /** Minutes for all of it, from when somebody begins. */
    minutes: z.number().int().min(1).max(240).optional(),
    items: z.array(SetItem).min(1, 'a set has one item at the least').max(MOST_ITEMS),
    /** May learners begin it? */
    given: z.boolean().default(false),
    /** Nobody begins or answers any more. */
    closed: z.boolean().default(false),
    /** Are the answers of a test told to who took it? */
    told: z.boolean().default(false),
    hidden: z.boolean().default(false),
  })
  .refine(({ items }) => new Set(items.map(({ seed, asked }) => seed + JSON.stringify(asked))).size === items.length, {
    error: 'the same individual stands in it twice',
    path: ['items'],
  });
export type SetWrite = z.output<typeof SetWrite>;

export const SetRow = z.object({
  id: z.uuid(),
  version: z.number().int().min(1),
  title: z.string(),
  guideId: z.uuid(),
  guideVersion: z.number().int(),
  kind: z.enum(SET_KINDS),
  minutes: z.number().int().optional(),
  given: z.boolean(),
  closed: z.boolean(),
  told: z.boolean(),
  hidden: z.boolean(),
  madeBy: z.string(),
  updatedAt: instant,
  /** How many items it has, how many people began it, and how many of its items who asks has answered. */
  n: count,
  begun: count,
  answered: count,
});
export type SetRow = z.output<typeof SetRow>;
export const SetList = z.object({ sets: z.array(SetRow) });
export type SetList = z.output<typeof SetList>;

/** An item as it is shown: what it is, is not in it. */
export const ShownItem = Item.omit({ truth: true }).extend({
  /** What a careful eye reads from the drawing: for who has it told in words. */
  readings: z.array(Reading),
  /** What it is, where that is said and the mark is to be found. */
  known: z.string().optional(),
});
export type ShownItem = z.output<typeof ShownItem>;

/** What somebody said of an item, and what it was, where that is told. */
export const SetAnswer = z.object({
  n: count,
  answer: PracticeAnswer,
  at: instant,
  told: ScoredAnswer.omit({ id: true }).optional(),
});
export type SetAnswer = z.output<typeof SetAnswer>;

/** A set as who takes it sees it: its items only once it is begun. */
export const SetView = SetRow.extend({
  begunAt: instant.optional(),
  /** When the time is over. */
  until: instant.optional(),
  items: z.array(z.object({ n: count, asked: Asked, item: ShownItem })).optional(),
  answers: z.array(SetAnswer),
});
export type SetView = z.output<typeof SetView>;

/** A set as its teacher sees it: what it is made from. */
export const SetSource = SetRow.extend({ items: z.array(SetItem) });
export type SetSource = z.output<typeof SetSource>;

export const SetAnswerWrite = z.strictObject({
  n: z
    .number()
    .int()
    .min(0)
    .max(MOST_ITEMS - 1),
  answer: PracticeAnswer,
  /** From when it was shown. */
  seconds: z.number().min(0).max(86_400),
});
export type SetAnswerWrite = z.output<typeof SetAnswerWrite>;

/** How a set went: by learner, by item, and what was taken for what. */
export const SetResults = z.object({
  learners: z.array(
    z.object({ name: z.string(), begunAt: instant, answered: count, right: count, bits: z.number(), seconds: z.number() }),
  ),
  items: z.array(
    z.object({
      n: count,
      /** What it was. */
      truth: z.string(),
      answered: count,
      right: count,
      /** What else was said, the commonest first; an empty one that it cannot be told. */
      said: z.array(z.object({ group: z.string(), n: count })),
    }),
  ),
  confused: z.array(z.object({ truth: z.string(), said: z.string(), n: count })),
});
export type SetResults = z.output<typeof SetResults>;

export const SheetQuery = z.strictObject({ paper: z.enum(['a4', 'a5']).optional() });
