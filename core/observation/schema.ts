import { z } from 'zod';
import { Handling } from '../guide/schema';
import { PRIOR_PARTS } from '../guide/vocabulary';
import { CERTAINTIES, DISTANCES, LIGHTS, READING_STATUSES, SUBJECTS } from './vocabulary';

/** An id that a guide gave, as it comes in with a record: the guide itself says which there are. */
export const key = z.string().min(1).max(80);

/** A day of the calendar, no earlier than collections go back. */
export const Day = z.iso
  .date('write the date as YYYY-MM-DD')
  .refine((day) => day >= '1600-01-01', 'write a date from the year 1600 on');

/** A ring number: letters and digits in groups. */
export const Mark = z
  .string()
  .trim()
  .regex(/^[A-Z]{0,3} ?\d{1,10}$/, 'write the ring as its letters and its digits, such as H 04517')
  .max(16);

/** What one has to go on: views, nearness, light, what may be touched, where and when. */
export const Situation = z.strictObject({
  /** Views that can be had; all of the guide's where absent. */
  views: z.array(key).max(20).optional(),
  /** A living one where absent. */
  subject: z.enum(SUBJECTS).optional(),
  distance: z.enum(DISTANCES).optional(),
  light: z.enum(LIGHTS).optional(),
  /** The most handling that is allowed. */
  handling: Handling.optional(),
  place: z.string().max(200).optional(),
  region: key.optional(),
  habitat: key.optional(),
  /** What holds as it is seen: wind, wet, alarm, a posture. */
  circumstances: z.array(key).max(20).optional(),
  /** What was found with it: host, neighbours, parents. */
  company: z.array(key).max(20).optional(),
  date: Day.optional(),
  /** Degrees, WGS 84. */
  latitude: z.number().min(-90).max(90).optional(),
  longitude: z.number().min(-180).max(180).optional(),
  note: z.string().max(2000).optional(),
  /** Parts of the prior that are left out of the weighing. */
  switchedOff: z.array(z.enum(PRIOR_PARTS)).optional(),
});
export type Situation = z.infer<typeof Situation>;

/** Larger or smaller than a neighbour that is known, or than another character of the same individual. */
export const RelativeValue = z.strictObject({
  relation: z.enum(['larger', 'smaller']),
  than: z.union([z.strictObject({ taxon: key }), z.strictObject({ form: key }), z.strictObject({ character: key })]),
});
export type RelativeValue = z.infer<typeof RelativeValue>;

/** What was seen of one character on one specimen. */
export const Reading = z.strictObject({
  /** Minted by the client; tells two readings of one character apart. */
  id: key.optional(),
  character: key,
  /** One state, or several when the eye cannot choose between them. */
  states: z.array(key).min(1).max(64).optional(),
  /** A measured value in the character's unit, a ratio, or a whole count. */
  value: z.number().optional(),
  /** Standard error of the value, in its unit; the character's usual error where absent. */
  error: z.number().min(0).optional(),
  /** A ratio given as its two lengths, each with the same standard error. */
  parts: z
    .strictObject({ numerator: z.number().positive(), denominator: z.number().positive(), error: z.number().min(0).optional() })
    .optional(),
  /** Judged against something known instead of measured. */
  comparison: RelativeValue.optional(),
  certainty: z.enum(CERTAINTIES).optional(),
  status: z.enum(READING_STATUSES).optional(),
  /** Why it is not visible or does not apply. */
  reason: z.string().max(400).optional(),
  /** The measurement it comes from, where it was taken on a photo. */
  measurement: z.uuid().optional(),
  /** Where it shows on a photo of the specimen, the one on top where none is named: shares of its width and height from the upper left. */
  at: z
    .strictObject({
      x: z.number().min(0).max(1),
      y: z.number().min(0).max(1),
      photo: z
        .string()
        .regex(/^[0-9a-f]{64}$/, 'this is not the hash of a photo')
        .optional(),
    })
    .optional(),
});
export type Reading = z.infer<typeof Reading>;

/** Looks at one character that are weighed: more of them say nothing new. */
export const MOST_LOOKS = 12;

/** The readings of one specimen. */
export const Readings = z
  .array(Reading)
  .max(500)
  .superRefine((readings, context) => {
    const looks = new Map<string, number>();
    readings.forEach(({ character }, i) => {
      const so = (looks.get(character) ?? 0) + 1;
      looks.set(character, so);
      if (so !== MOST_LOOKS + 1) return;
      const message = `“${character}” is read more than ${MOST_LOOKS} times; keep the readings that differ`;
      context.addIssue({ code: 'custom', message, path: [i] });
    });
  });
