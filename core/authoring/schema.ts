import { z } from 'zod';
export { CslItem } from '../guide/cslSchema';
import { label } from '../guide/terms';

const contrast = z.string().min(1).max(200);

/** What a person decided about a guide that is made of keys. */
export const KeyGuideChoices = z.strictObject({
  title: label.optional(),
  /** Contrasts that are characters of their own, whatever they are like. */
  alone: z.array(contrast).max(5000).default([]),
  /** Pairs of contrasts that are one character. */
  join: z
    .array(z.tuple([contrast, contrast]))
    .max(5000)
    .default([]),
  /** States that are one: of the character that has the contrast, one is another word for the other. */
  same: z
    .array(z.strictObject({ of: contrast, from: label, to: label }))
    .max(5000)
    .default([]),
  /** What a character is called, by one of its contrasts. */
  labels: z.record(contrast, z.string().trim().max(200)).default({}),
});
export type KeyGuideChoices = z.output<typeof KeyGuideChoices>;

/** What leads of one couplet say of a character. */
export const ContrastTold = z.object({
  id: contrast,
  /** The place of the key among those the guide is made of. */
  key: z.number().int(),
  couplet: z.string(),
  sides: z.array(z.object({ lead: z.string(), text: z.string(), means: z.string() })),
});
export type ContrastTold = z.infer<typeof ContrastTold>;

/** A character as keys make it, with the texts that it came from. */
export const KeyCharacterTold = z.object({
  id: z.string(),
  label: z.string(),
  kind: z.string(),
  /** What its states are called; absent where it is told by numbers. */
  states: z.array(z.string()).optional(),
  /** Only one lead says anything of it: it tells nothing until somebody says what the others have. */
  oneSided: z.boolean(),
  contrasts: z.array(ContrastTold),
});
export type KeyCharacterTold = z.infer<typeof KeyCharacterTold>;

/** Contrasts that may be one character, with why. */
export const JoinProposal = z.object({ a: contrast, b: contrast, why: z.string() });
export type JoinProposal = z.infer<typeof JoinProposal>;

export * from './draftSchema';
