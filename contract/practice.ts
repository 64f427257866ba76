import { Reading } from '@plesion/core/observation/schema';
import {
  Asked,
  Best,
  CertaintyWord,
  FLOCK_TASKS,
  Item,
  JudgedStep,
  Memory,
  PracticeAnswer,
  PracticeLevel,
  VerifiedPhoto,
} from '@plesion/core/practice/schema';
import { z } from 'zod';

const seed = z.string().min(1).max(60);

/** Which items are wanted: the same seed gives the same items everywhere. */
export const ItemsRequest = Asked.extend({
  guideId: z.uuid(),
  n: z.number().int().min(1).max(20).default(1),
  seed: seed.optional(),
});
export const ItemList = z.object({
  /** The version of the guide they were made from. */
  guideVersion: z.number().int(),
  items: z.array(Item),
});

export const PhotoList = z.object({ photos: z.array(VerifiedPhoto) });

/** An answer to an item, as it was made: by what was asked, its seed and the guide as it was. */
export const GivenAnswer = z.strictObject({
  id: z.uuid(),
  guideId: z.uuid(),
  guideVersion: z.number().int().min(1),
  seed,
  asked: Asked,
  answer: PracticeAnswer,
  at: z.iso.datetime(),
});
export type GivenAnswer = z.output<typeof GivenAnswer>;
export const AnswersRequest = z.strictObject({ answers: z.array(GivenAnswer).min(1).max(50) });

/** What each reading said between the truth and what it was held against, in bits for the truth. */
export const PracticeWhy = z.object({
  other: z.object({ id: z.string(), label: z.string() }),
  readings: z.array(z.object({ reading: Reading, bits: z.number() })),
  /** One sentence to remember. */
  remember: z.string().optional(),
});

export const ScoredAnswer = z.object({
  id: z.uuid(),
  /** The group it was. */
  truth: z.string(),
  /** What the answer gave to the truth, 0..1. */
  p: z.number(),
  /** Better than chance above 0. */
  bits: z.number(),
  right: z.boolean(),
  best: Best,
  /** The character that was gone by: what the drawing shows in it, and whether it was read so. */
  mark: z
    .object({ character: z.string(), shown: z.union([z.string(), z.number()]).optional(), right: z.boolean().optional() })
    .optional(),
  why: PracticeWhy.optional(),
  /** Of a walk through a key: each couplet on the way. */
  steps: z.array(JudgedStep).optional(),
});
export type ScoredAnswer = z.output<typeof ScoredAnswer>;
export const AnswersTaken = z.object({ answers: z.array(ScoredAnswer) });

const sum = z.number().int().min(0);

/** How one's own practice with a guide stands. */
export const PracticeStanding = z.object({
  guides: z.array(
    z.object({
      guideId: z.uuid(),
      /** What was told apart last. */
      level: PracticeLevel,
      answers: sum,
      right: sum,
      /** Mean bits an answer. */
      bits: z.number(),
      /** What was taken for what, the commonest first. */
      confused: z.array(z.object({ truth: z.string(), said: z.string(), n: sum })),
      /** How often what was said with a word was right. */
      certainty: z.array(z.object({ sure: CertaintyWord, answers: sum, right: sum })),
      /** How often each character was read as it is. */
      marks: z.array(
        z.object({
          character: z.string(),
          answers: sum,
          right: sum,
          /** Of a number: what was said to what is shown, in the middle, and the spread of its logarithm from two on. */
          bias: z.object({ values: sum, ratio: z.number(), spread: z.number().optional() }).optional(),
        }),
      ),
      /** By week, from the Monday it begins with; the newest last. */
      weeks: z.array(z.object({ from: z.iso.date(), answers: sum, right: sum })),
      /** Many at once, by what was asked; `ratio` is what was said of a number to what it was, in the middle. */
      flocks: z
        .array(z.object({ task: z.enum(FLOCK_TASKS), answers: sum, right: sum, ratio: z.number().optional() }))
        .default([]),
      /** Walks through keys, by key and couplet, the hardest couplet first; seconds are those in the middle. */
      walks: z
        .array(
          z.object({
            keyId: z.uuid(),
            walks: sum,
            right: sum,
            couplets: z.array(z.object({ number: z.string(), answers: sum, right: sum, seconds: z.number().optional() })),
          }),
        )
        .default([]),
      /** Was it right, the newest last: how hard the next is to be. */
      lately: z.array(z.boolean()),
    }),
  ),
  /** What is remembered, and when it is due. */
  memories: z.array(Memory),
});
export type PracticeStanding = z.output<typeof PracticeStanding>;
