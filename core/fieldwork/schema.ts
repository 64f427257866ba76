import { z } from 'zod';
import { Day, key, Mark, Readings } from '../observation/schema';
import {
  CATCHES,
  CONDITIONS,
  COUNT_KINDS,
  METHODS,
  NATURAL_MARKS,
  RELEASES,
  SEX_METHODS,
  SEXES,
  SHEET_FIELDS,
} from './vocabulary';

const PhotoHash = z.string().regex(/^[0-9a-f]{64}$/, 'this is not the hash of a photo');
const instant = z.iso.datetime({ offset: true, message: 'write the time as an ISO date with its offset' });
const words = z.string().trim().max(2000);
const name = z.string().trim().min(1).max(120);
const whole = z.number().int().min(0).max(1_000_000);

/** Males, females, unsexed. */
export const SexTally = z.strictObject({ males: whole, females: whole, unsexed: whole });
export type SexTally = z.infer<typeof SexTally>;

/** Degrees, WGS 84; how far off at most, in m. */
export const Fix = z.strictObject({
  latitude: z.number().min(-90).max(90),
  longitude: z.number().min(-180).max(180),
  accuracy: z.number().min(0).max(100_000).optional(),
});
export type Fix = z.infer<typeof Fix>;

/** A permit as it lies on file. Whether it allows a catch is the authority's to say. */
export const Licence = z.strictObject({
  id: key,
  label: name,
  holder: name,
  /** Methods it covers. */
  covers: z.array(z.enum(METHODS)).min(1).max(METHODS.length),
  from: Day,
  to: Day,
  note: words.optional(),
});
export type Licence = z.infer<typeof Licence>;

export const Season = z
  .strictObject({ first: Day, last: Day })
  .refine(({ first, last }) => first <= last, { message: 'the season ends before it begins', path: ['last'] });

export const SiteContent = z.strictObject({
  name: name.min(1, 'give the site a name'),
  position: Fix.optional(),
  /** Left alone until a day, and why. */
  rested: z.strictObject({ until: Day, reason: name }).optional(),
  /** First and last working day. */
  season: Season.optional(),
  /** Rings or animals that may be used up in the season. */
  quota: z.number().int().min(1).max(1_000_000).optional(),
  licences: z.array(Licence).max(50),
  note: words.optional(),
});
export type SiteContent = z.infer<typeof SiteContent>;

/** Why something was done all the same, by whom. */
export const Override = z.strictObject({ what: key, reason: name, by: name, at: instant });
export type Override = z.infer<typeof Override>;

export const VisitContent = z
  .strictObject({
    siteId: z.uuid(),
    startedAt: instant,
    endedAt: instant.optional(),
    people: z.array(name).min(1, 'say who was there').max(40),
    method: z.enum(METHODS),
    /** Traps or nets, and hours each. */
    effort: z.strictObject({ units: z.number().positive().max(10_000), hours: z.number().positive().max(10_000) }).optional(),
    bait: words.optional(),
    weather: z
      .strictObject({
        /** Beaufort. */
        wind: z.number().int().min(0).max(12).optional(),
        /** Eighths of the sky. */
        cloud: z.number().int().min(0).max(8).optional(),
        /** °C. */
        temperature: z.number().min(-60).max(60).optional(),
      })
      .optional(),
    note: words.optional(),
    overrides: z.array(Override).max(20),
  })
  .refine(({ startedAt, endedAt }) => !endedAt || Date.parse(endedAt) >= Date.parse(startedAt), {
    message: 'the visit ends before it begins',
    path: ['endedAt'],
  });
export type VisitContent = z.infer<typeof VisitContent>;

export const AgeCode = z.strictObject({ family: key, code: z.string().trim().min(1).max(8) });
export type AgeCode = z.infer<typeof AgeCode>;

/** A mark that it bears without anybody having put it there: what, where on the body, and in words. */
export const NaturalMark = z.strictObject({
  id: key,
  kind: z.enum(NATURAL_MARKS),
  words: z.string().trim().min(1, 'say what it looks like').max(400),
  /** Where on the plate of a view: shares of its width and height from the upper left. */
  at: z.strictObject({ view: key, x: z.number().min(0).max(1), y: z.number().min(0).max(1) }).optional(),
  photo: PhotoHash.optional(),
});
export type NaturalMark = z.infer<typeof NaturalMark>;

/** One animal in the hand, once. */
export const CaptureContent = z.strictObject({
  visitId: z.uuid(),
  at: instant,
  what: z.enum(CATCHES),
  mark: Mark.optional(),
  /** The guide whose kinds and characters it is recorded by. */
  guideId: z.uuid().optional(),
  /** A taxon of that guide. */
  taxon: key.optional(),
  /** As it is called, where no guide knows it. */
  name: name.optional(),
  age: AgeCode.optional(),
  sex: z.enum(SEXES).optional(),
  sexBy: z.enum(SEX_METHODS).optional(),
  condition: z.enum(CONDITIONS).optional(),
  /** g. */
  mass: z.number().positive().max(1_000_000).optional(),
  readings: Readings,
  naturalMarks: z.array(NaturalMark).max(20).optional(),
  /** Rings of those that raised it, and which brood of theirs it is of. */
  parents: z
    .strictObject({ mother: Mark.optional(), father: Mark.optional(), brood: z.string().trim().min(1).max(60).optional() })
    .optional(),
  release: z.enum(RELEASES).optional(),
  photo: PhotoHash.optional(),
  position: Fix.optional(),
  /** The specimen on the Bench that this catch was weighed as. */
  specimenId: z.uuid().optional(),
  /** Look again on a day. */
  followUp: z.strictObject({ due: Day, text: name, done: z.boolean().optional() }).optional(),
  note: words.optional(),
  /** Rules of the guide, and contradictions, that were gone beyond. */
  overrides: z.array(Override).max(40),
});
export type CaptureContent = z.infer<typeof CaptureContent>;

/** Rings of one size with numbers in turn. */
export const StringContent = z
  .strictObject({
    letters: z.string().regex(/^[A-Z]{0,3}$/, 'up to three capital letters'),
    digits: z.number().int().min(1).max(10),
    first: z.number().int().min(0).max(9_999_999_999),
    last: z.number().int().min(0).max(9_999_999_999),
    size: z.string().trim().min(1).max(12),
    ringer: name,
    loadedOn: Day,
    /** Numbers that were never put on, and why. */
    unused: z
      .array(
        z.strictObject({ number: z.number().int().min(0), what: z.enum(['destroyed', 'lost']), on: Day, note: words.optional() }),
      )
      .max(10_000),
    note: words.optional(),
  })
  .refine(({ first, last }) => first <= last, { message: 'the last number is smaller than the first', path: ['last'] })
  .refine(({ first, last }) => last - first < 10_000, { message: 'a string holds 10,000 rings at most', path: ['last'] })
  .refine(({ last, digits }) => String(last).length <= digits, {
    message: 'the number has more digits than that',
    path: ['digits'],
  });
export type StringContent = z.infer<typeof StringContent>;

/** Some of one kind, as they were counted. */
export const Tally = z.strictObject({
  label: name,
  guideId: z.uuid().optional(),
  taxon: key.optional(),
  stage: z.string().trim().max(60).optional(),
  ...SexTally.shape,
});
export type Tally = z.infer<typeof Tally>;

export const AmountShape = z.discriminatedUnion('how', [
  z.strictObject({ how: z.literal('counted'), n: whole }),
  z.strictObject({ how: z.literal('estimated'), from: whole, to: whole }),
  z.strictObject({ how: z.literal('shared'), fromPercent: z.number().min(0).max(100), toPercent: z.number().min(0).max(100) }),
]);

export const CountContent = z.strictObject({
  kind: z.enum(COUNT_KINDS),
  label: name,
  siteId: z.uuid().optional(),
  at: instant,
  by: name,
  tallies: z.array(Tally).max(500),
  /** Individuals that should be there, by name, and who was seen. */
  expected: z
    .array(
      z.strictObject({
        name,
        seen: z.boolean(),
        /** How it was, noted in passing. */
        condition: z.enum(CONDITIONS).optional(),
        note: z.string().max(400).optional(),
      }),
    )
    .max(2000)
    .optional(),
  /** Heads expected where they have no names. */
  heads: whole.optional(),
  /** Along a line: m from its beginning, m² looked over, and how many of which tally. */
  quadrats: z
    .array(
      z.strictObject({
        along: z.number().min(0).max(100_000),
        area: z.number().positive().max(10_000),
        counts: z.array(whole).max(500),
      }),
    )
    .max(1000)
    .optional(),
  flock: z
    .array(z.strictObject({ kind: name, amount: AmountShape }))
    .max(100)
    .optional(),
  total: AmountShape.optional(),
  note: words.optional(),
});
export type CountContent = z.infer<typeof CountContent>;

/** Codes of age that belong together, and when they turn over. */
export const AgeFamily = z.strictObject({
  id: key,
  label: name,
  /** The day on which an animal is a year further by these codes, as MM-DD. */
  reference: z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'write the day as MM-DD'),
  codes: z
    .array(
      z.strictObject({
        code: z.string().trim().min(1).max(8),
        label: name,
        /** Reference days passed since it hatched, at least and at most. */
        from: z.number().int().min(0).max(100),
        to: z.number().int().min(0).max(100).optional(),
      }),
    )
    .min(1)
    .max(60),
});
export type AgeFamily = z.infer<typeof AgeFamily>;

/** What a station asks of a catch, in its order. */
export const SheetContent = z.strictObject({
  fields: z
    .array(z.strictObject({ field: z.union([z.enum(SHEET_FIELDS), z.string().regex(/^reading:.{1,80}$/)]), needed: z.boolean() }))
    .min(1)
    .max(60)
    .refine((fields) => new Set(fields.map(({ field }) => field)).size === fields.length, { message: 'a field stands twice' }),
  /** The family that ages are written in. */
  family: key,
  /** The station's own, beside those that are known. */
  families: z.array(AgeFamily).max(20),
});
export type SheetContent = z.infer<typeof SheetContent>;
