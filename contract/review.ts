import { Readings, Situation } from '@plesion/core/observation/schema';
import { Look, ReviewReason, ReviewWord } from '@plesion/core/review/schema';
import { Determination, GivenName, MediaList } from '@plesion/core/specimen/schema';
import { z } from 'zod';

const instant = z.iso.datetime({ offset: true });

/** What a reviewer says of the name that a record has. */
export const ReviewWrite = z
  .strictObject({
    id: z.uuid(),
    specimenId: z.uuid(),
    /** The name it is said of: the newest of the specimen. */
    determination: z.uuid(),
    word: ReviewWord,
    /** What it is named instead. */
    name: GivenName.optional(),
    /** The view that is needed. */
    view: z.string().max(120).optional(),
    /** What to look for in it, or why it is named otherwise. */
    note: z.string().trim().max(500).optional(),
  })
  .refine(({ word, name }) => (word === 'name') === (name !== undefined), {
    message: 'say what it is named instead, and only where it is',
    path: ['name'],
  })
  .refine(({ word, view }) => (word === 'view') === (view !== undefined), {
    message: 'say which view is needed, and only where one is',
    path: ['view'],
  });
export type ReviewWrite = z.output<typeof ReviewWrite>;

export const Review = z.object({
  id: z.uuid(),
  specimenId: z.uuid(),
  determination: z.string(),
  word: ReviewWord,
  name: GivenName.optional(),
  view: z.string().optional(),
  note: z.string().optional(),
  by: z.string(),
  at: instant,
  /** Has the record been written since? Then what was asked for may be there. */
  writtenSince: z.boolean(),
  withdrawn: z.boolean(),
});
export type Review = z.output<typeof Review>;
export const ReviewList = z.object({ reviews: z.array(Review) });
export const ReviewQuery = z.strictObject({ specimenId: z.uuid() });

/** A record on the reviewer's desk. */
export const DeskRecord = z.object({
  id: z.uuid(),
  label: z.string(),
  guideId: z.uuid(),
  recordedBy: z.string(),
  situation: Situation,
  readings: Readings,
  media: MediaList,
  name: Determination.omit({ pinned: true }),
  look: Look,
  /** In ordinary wrong names that a look may find. */
  worth: z.number(),
  reasons: z.array(ReviewReason),
});
export type DeskRecord = z.output<typeof DeskRecord>;

/** What waits, the most worth a look first. */
export const Desk = z.object({
  records: z.array(DeskRecord),
  /** Of all that wait. */
  total: z.number().int(),
  /** Said by whoever asks, since midnight (UTC). */
  today: z.number().int(),
  guides: z.array(z.object({ id: z.uuid(), title: z.string(), n: z.number().int() })),
});
export type Desk = z.output<typeof Desk>;
export const DeskQuery = z.strictObject({ guideId: z.uuid().optional() });
export type DeskQuery = z.output<typeof DeskQuery>;

/** A view that a reviewer needs of a record of one's own. */
export const WantedOfMe = z.object({
  id: z.uuid(),
  specimenId: z.uuid(),
  label: z.string(),
  by: z.string(),
  at: instant,
  guide: z.string(),
  /** As the guide calls it. */
  view: z.string(),
  note: z.string().optional(),
});
export type WantedOfMe = z.output<typeof WantedOfMe>;
export const WantedViews = z.object({ wanted: z.array(WantedOfMe) });
