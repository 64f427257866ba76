import { z } from 'zod';
import { Level } from '../evidence/schema';
import { key, Reading } from '../observation/schema';
import { CERTAINTY_WORDS } from './vocabulary';

export { CERTAINTY, CERTAINTY_WORDS } from './vocabulary';

export const CertaintyWord = z.enum(CERTAINTY_WORDS);

export const PracticeLevel = Level;
export type PracticeLevel = z.infer<typeof PracticeLevel>;

/** What is practised: which groups of a level, in which view. */
export const Asked = z.strictObject({
  level: PracticeLevel,
  /** Told apart from each other alone, each as often; all of the level, as often as they live there, where absent. */
  groups: z.array(key).min(2).max(20).optional(),
  /** One of the guide's; any that is drawn where absent. */
  view: key.optional(),
});
export type Asked = z.infer<typeof Asked>;

/** What may be said from a drawing, and how sure one may be of it. */
export const Best = z.object({
  kind: z.enum(['one', 'either', 'untold']),
  groups: z.array(z.string()),
  p: z.number().min(0).max(1),
});
export type Best = z.infer<typeof Best>;

export const Truth = z.object({
  form: z.string(),
  group: z.string(),
  /** What a careful eye reads from the drawing. */
  readings: z.array(Reading),
  best: Best,
});

/** A novel individual in one view, what may be answered, and the truth, which is shown after the answer. */
export const Item = z.object({
  guide: z.string(),
  seed: z.string(),
  view: z.string(),
  level: PracticeLevel,
  /** What the drawing is made from. */
  traits: z.record(z.string(), z.union([z.string(), z.number()])),
  choices: z.array(z.object({ id: z.string(), label: z.string() })),
  truth: Truth,
});
export type Item = z.infer<typeof Item>;

/** What a person says: one group, two, or that it cannot be told; how sure; and the character they went by. */
export const PracticeAnswer = z
  .strictObject({
    groups: z.array(key).max(2),
    sure: CertaintyWord,
    wentBy: key.optional(),
  })
  .refine(({ groups }) => new Set(groups).size === groups.length, { error: 'name each but once', path: ['groups'] });
export type PracticeAnswer = z.infer<typeof PracticeAnswer>;
