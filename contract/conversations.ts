import { z } from 'zod';
import { PhotoHash } from './photos';

const instant = z.iso.datetime({ offset: true });
const share = z.number().min(0, 'a place on a photo lies between 0 and 1').max(1, 'a place on a photo lies between 0 and 1');

/** What is drawn over a photo: a pin at a point; a ring about one, through another; a line from one to another. */
export const DRAWN = ['pin', 'ring', 'line'] as const;
export type Drawn = (typeof DRAWN)[number];

/** Where on a photo something is said of; points as shares of its width and height. */
export const Place = z
  .strictObject({
    photo: PhotoHash,
    drawn: z.enum(DRAWN),
    points: z
      .array(z.strictObject({ x: share, y: share }))
      .min(1)
      .max(2),
  })
  .refine(({ drawn, points }) => points.length === (drawn === 'pin' ? 1 : 2), {
    message: 'a pin has one point, a ring and a line have two',
    path: ['points'],
  });
export type Place = z.output<typeof Place>;

/** Something said of a specimen: of a place on a photo, of it as a whole, or in reply. */
export const RemarkWrite = z
  .strictObject({
    id: z.uuid(),
    specimenId: z.uuid(),
    /** What it replies to: the first of its thread. */
    replyTo: z.uuid().optional(),
    place: Place.optional(),
    text: z.string().trim().min(1, 'say something').max(2000),
  })
  .refine(({ replyTo, place }) => !(replyTo && place), {
    message: 'a reply is of the place that it replies to',
    path: ['place'],
  });
export type RemarkWrite = z.output<typeof RemarkWrite>;

export const Remark = z.object({
  id: z.uuid(),
  by: z.string(),
  at: instant,
  /** Absent where it was taken back. */
  text: z.string().optional(),
});
export type Remark = z.output<typeof Remark>;

/** What was said of one place, the first first. */
export const Thread = z.object({
  id: z.uuid(),
  place: Place.optional(),
  remarks: z.array(Remark).min(1),
  resolved: z.object({ by: z.string(), at: instant }).optional(),
});
export type Thread = z.output<typeof Thread>;

export const Conversation = z.object({ threads: z.array(Thread) });
export const ConversationQuery = z.strictObject({ specimenId: z.uuid() });
export const Resolved = z.strictObject({ resolved: z.boolean() });

/** A thread that is not resolved, on a record of one's own or in which one spoke, and in which somebody else spoke last. */
export const WaitingThread = z.object({
  id: z.uuid(),
  specimenId: z.uuid(),
  label: z.string(),
  by: z.string(),
  at: instant,
  text: z.string(),
});
export type WaitingThread = z.output<typeof WaitingThread>;
export const WaitingThreads = z.object({ waiting: z.array(WaitingThread) });
