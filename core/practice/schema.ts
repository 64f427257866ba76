import { z } from 'zod';
import { Level } from '../evidence/schema';
import { key, Reading, Situation } from '../observation/schema';
import { Outcome } from '../verification/schema';
import { VERIFICATION_KINDS } from '../verification/vocabulary';
import { CERTAINTY_WORDS, FLOCK_TASKS, MEMORY_KINDS } from './vocabulary';

export { CERTAINTY, CERTAINTY_WORDS, FLOCK_TASKS } from './vocabulary';

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
  /** One that shows this character: the drill of a single mark. */
  character: key.optional(),
  /** What it is, is said; the mark that tells it from the other of two is to be found. */
  spot: z.literal(true).optional(),
  /** Many at once, and what is asked of them. */
  flock: z.enum(FLOCK_TASKS).optional(),
  /** Through which key it is to be taken, couplet by couplet. */
  walk: z.strictObject({ keyId: z.uuid(), keyVersion: z.number().int().min(1) }).optional(),
  /** A photograph of the station's own, of a specimen that is verified. */
  photo: z.strictObject({ specimenId: z.uuid(), hash: z.string().regex(/^[0-9a-f]{64}$/) }).optional(),
  /** Where and when it is met: who lives there then comes as often as there. */
  situation: Situation.optional(),
  /** 0 as they come … 1 only those near the line, of which something can be said all the same. */
  hard: z.number().min(0).max(1).optional(),
  /** How much of it is behind leaves, 0 nothing … 1 most of its parts. */
  hidden: z.number().min(0).max(1).optional(),
  /** Shown for so many seconds, and then gone; again at a cost. */
  glimpse: z.number().min(0.5).max(10).optional(),
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

/** Many in one picture. */
export const Flock = z.object({
  task: z.enum(FLOCK_TASKS),
  /** Its width to its height. */
  across: z.number(),
  individuals: z.array(
    z.object({ group: z.string(), traits: z.record(z.string(), z.union([z.string(), z.number()])), readings: z.array(Reading) }),
  ),
  /** Where each is: its middle as shares of the width and the height, and how far it is turned, in degrees. */
  members: z.array(z.object({ of: z.number().int(), x: z.number(), y: z.number(), turned: z.number() })),
  /** The square that each has, as a share of the width. */
  size: z.number(),
});
export type Flock = z.infer<typeof Flock>;

/** One couplet on the way of an individual through a key. */
export const DrillStep = z.object({
  couplet: z.string(),
  /** As printed. */
  number: z.string(),
  /** Leads that are right for it; one, but where several lead to what it is and nothing tells them apart. */
  leads: z.array(z.string()).min(1),
  /** The view that shows what is asked. */
  view: z.string(),
  /** What is asked and can be seen in that view. */
  shows: z.array(Reading),
  /** What is asked and cannot be seen in a drawing: it is told. */
  given: z.array(Reading),
});
export type DrillStep = z.infer<typeof DrillStep>;

/** A photograph of a specimen that is verified, and what it turned out to be. */
export const VerifiedPhoto = z.object({
  specimenId: z.uuid(),
  hash: z.string(),
  /** One of the guide's, where it is known. */
  view: z.string().optional(),
  ...Outcome.pick({ taxon: true, facets: true, kind: true, wrong: true }).shape,
});
export type VerifiedPhoto = z.infer<typeof VerifiedPhoto>;

/** What was done at one couplet of a key. */
export const JudgedStep = z.object({
  couplet: z.string(),
  number: z.string(),
  right: z.boolean(),
  /** s; nothing where it was not come to. */
  seconds: z.number().optional(),
});
export type JudgedStep = z.infer<typeof JudgedStep>;

/** A novel individual in one view, what may be answered, and the truth, which is shown after the answer. */
export const Item = z.object({
  guide: z.string(),
  seed: z.string(),
  view: z.string(),
  level: PracticeLevel,
  /** What the drawing is made from. */
  traits: z.record(z.string(), z.union([z.string(), z.number()])),
  /** Parts that are behind leaves. */
  hidden: z.array(z.string()),
  choices: z.array(z.object({ id: z.string(), label: z.string() })),
  truth: Truth,
  /** Many of them; the individual above is the odd one, or one of those that are commonest. */
  flock: Flock.optional(),
  /** Beats a second, of one that is shown in flight. */
  beats: z.number().positive().optional(),
  /** A photograph in the place of a drawing, and by what it is known what it shows. */
  photo: z.object({ specimenId: z.string(), hash: z.string(), kind: z.enum(VERIFICATION_KINDS) }).optional(),
  /** Its way through a key. */
  drill: z.object({ steps: z.array(DrillStep).min(1) }).optional(),
});
export type Item = z.infer<typeof Item>;

/** What is remembered of two groups that are taken for each other, or of one character, and when it is due. */
export const Memory = z.object({
  kind: z.enum(MEMORY_KINDS),
  guideId: z.string(),
  /** Two groups in the order of the alphabet, or one character. */
  of: z.array(z.string()).min(1).max(2),
  answers: z.number().int(),
  right: z.number().int(),
  /** The newest last. */
  lately: z.array(z.boolean()),
  /** As FSRS keeps it; times are instants. */
  card: z.object({
    due: z.string(),
    stability: z.number(),
    difficulty: z.number(),
    elapsed_days: z.number(),
    scheduled_days: z.number(),
    learning_steps: z.number(),
    reps: z.number(),
    lapses: z.number(),
    state: z.number(),
    last_review: z.string().optional(),
  }),
});
export type Memory = z.infer<typeof Memory>;

/** Kinds that are counted at once. */
const MOST_KINDS = 20;

/** What a person says: one group, two, or that it cannot be told; how sure; and the character they went by. */
export const PracticeAnswer = z
  .strictObject({
    groups: z.array(key).max(2),
    sure: CertaintyWord,
    /** The character it was told by, and the state or the value that was seen in it. */
    wentBy: z.strictObject({ character: key, says: z.union([key, z.number()]).optional() }).optional(),
    /** Which of many, from 0. */
    picked: z.number().int().min(0).max(999).optional(),
    /** How many there are. */
    number: z.number().int().min(0).max(100_000).optional(),
    /** How many of each group. */
    counts: z
      .record(key, z.number().int().min(0).max(1000))
      .refine((all) => Object.keys(all).length <= MOST_KINDS, { error: `count ${MOST_KINDS} kinds at most` })
      .optional(),
    /** The lead that was taken first at each couplet, and after how many seconds. */
    steps: z
      .array(z.strictObject({ couplet: key, lead: key, seconds: z.number().min(0).max(86_400) }))
      .max(200)
      .optional(),
    /** How often a glimpse was had again. */
    again: z.number().int().min(0).max(99).optional(),
  })
  .refine(({ groups }) => new Set(groups).size === groups.length, { error: 'name each but once', path: ['groups'] });
export type PracticeAnswer = z.infer<typeof PracticeAnswer>;
