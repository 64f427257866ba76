import {
  AgeFamily,
  CaptureContent,
  CountContent,
  NaturalMark,
  SheetContent,
  SiteContent,
  StringContent,
  VisitContent,
} from '@plesion/core/fieldwork/schema';
import { Day, Mark } from '@plesion/core/observation/schema';
import { Outcome } from '@plesion/core/verification/schema';
import { z } from 'zod';
import { OfficeRecovery } from './office';

/** What a client writes beside the content: the version it last saw, 0 for a new one. */
const head = { version: z.number().int().min(0), hidden: z.boolean() };
/** What the server adds. */
const kept = {
  id: z.uuid(),
  /** Whoever wrote it first. */
  recordedBy: z.string(),
  createdAt: z.iso.datetime({ offset: true }),
  updatedAt: z.iso.datetime({ offset: true }),
};

export const SiteWrite = SiteContent.safeExtend(head);
export type SiteWrite = z.output<typeof SiteWrite>;
export const Site = SiteWrite.safeExtend(kept);
export type Site = z.output<typeof Site>;
export const SiteList = z.object({ sites: z.array(Site) });

export const VisitWrite = VisitContent.safeExtend(head);
export type VisitWrite = z.output<typeof VisitWrite>;
export const Visit = VisitWrite.safeExtend(kept);
export type Visit = z.output<typeof Visit>;
/** A visit with how many it caught. */
export const VisitRow = Visit.safeExtend({ caught: z.number().int().min(0) });
export type VisitRow = z.output<typeof VisitRow>;
export const VisitList = z.object({ visits: z.array(VisitRow) });

export const CaptureWrite = CaptureContent.safeExtend(head);
export type CaptureWrite = z.output<typeof CaptureWrite>;
export const Capture = CaptureWrite.safeExtend(kept);
export type Capture = z.output<typeof Capture>;
export const CaptureList = z.object({
  captures: z.array(Capture),
  /** Ask with this next; absent at the end. */
  next: z.string().optional(),
});
export type CaptureList = z.output<typeof CaptureList>;

export const StringWrite = StringContent.safeExtend(head);
export type StringWrite = z.output<typeof StringWrite>;
export const RingString = StringWrite.safeExtend(kept);
export type RingString = z.output<typeof RingString>;
/** A string with the marks of it that were put on, each as often as it was. */
export const RingStringRow = RingString.safeExtend({ ringed: z.array(z.string()) });
export type RingStringRow = z.output<typeof RingStringRow>;
export const StringList = z.object({ strings: z.array(RingStringRow) });

export const CountWrite = CountContent.safeExtend(head);
export type CountWrite = z.output<typeof CountWrite>;
export const Count = CountWrite.safeExtend(kept);
export type Count = z.output<typeof Count>;
export const CountList = z.object({ counts: z.array(Count) });

export const SheetWrite = SheetContent.safeExtend(head);
export type SheetWrite = z.output<typeof SheetWrite>;
export const Sheet = SheetWrite.safeExtend(kept);
export type Sheet = z.output<typeof Sheet>;
export const SheetList = z.object({ sheets: z.array(Sheet) });

/** An animal with natural marks, as it was met last: by its ring, or as a capture alone. */
export const MarkedAnimal = z.object({
  captureId: z.uuid(),
  mark: Mark.optional(),
  at: z.iso.datetime({ offset: true }),
  guideId: z.uuid().optional(),
  taxon: z.string().optional(),
  name: z.string().optional(),
  naturalMarks: z.array(NaturalMark),
});
export type MarkedAnimal = z.output<typeof MarkedAnimal>;
export const MarkedAnimals = z.object({ animals: z.array(MarkedAnimal) });
export const MarkedQuery = z.strictObject({
  /** Words that are all in what was said of a mark. */
  words: z.string().trim().min(1).max(200).optional(),
  guideId: z.uuid().optional(),
  /** Where on the plate of a view, the nearest first. */
  view: z.string().min(1).max(80).optional(),
  x: z.coerce.number().min(0).max(1).optional(),
  y: z.coerce.number().min(0).max(1).optional(),
});
export type MarkedQuery = z.output<typeof MarkedQuery>;

const hidden = z.enum(['yes']).optional();
export const FieldQuery = z.strictObject({ hidden });
export const VisitQuery = z.strictObject({ siteId: z.uuid().optional(), hidden });
export type VisitQuery = z.output<typeof VisitQuery>;
export const CountQuery = z.strictObject({ siteId: z.uuid().optional(), hidden });
export type CountQuery = z.output<typeof CountQuery>;
export const CaptureQuery = z.strictObject({
  visitId: z.uuid().optional(),
  /** Part of a ring number: letters, digits, or both. */
  ring: z.string().trim().min(1).max(16).optional(),
  hidden,
  limit: z.coerce.number().int().min(1).max(500).optional(),
  after: z.string().max(200).optional(),
});
export type CaptureQuery = z.output<typeof CaptureQuery>;

/** Everything known of the bearer of a mark, in order of time, with the visits and sites it was met at. */
export const MarkHistory = z.object({
  mark: Mark,
  captures: z.array(Capture),
  visits: z.array(Visit),
  sites: z.array(Site),
  /** Captures of those that it raised, as far as that was told. */
  young: z.array(Capture),
  /** What a ringing office told of it. */
  recoveries: z.array(OfficeRecovery),
  /** The surest word on what it turned out to be. */
  outcome: Outcome.pick({ kind: true, taxon: true, facets: true, on: true }).optional(),
});
export type MarkHistory = z.output<typeof MarkHistory>;

export const FieldDayQuery = z.strictObject({ today: Day });

/** What Field shows first: what is under way, due, left, and what looks wrong. */
export const FieldView = z.object({
  sites: z.array(Site),
  /** Not ended. */
  open: z.array(VisitRow),
  /** Ended, the newest first. */
  recent: z.array(VisitRow),
  /** To be looked at again, those due first. */
  due: z.array(z.object({ captureId: z.uuid(), mark: z.string().optional(), due: Day, text: z.string() })),
  strings: z.array(RingStringRow),
  sheets: z.array(Sheet),
  /** Captures of the calendar year, by what became of them. */
  season: z.object({
    year: z.number().int(),
    ringed: z.number(),
    again: z.number(),
    unringed: z.number(),
    others: z.number(),
    lost: z.number(),
  }),
  /** Rings put on this year at each site. */
  used: z.array(z.object({ siteId: z.uuid(), ringed: z.number().int() })),
  /** Marks met lately whose captures do not go together, unless a reason was given. */
  wrong: z.array(z.object({ mark: z.string(), code: z.string(), message: z.string(), captureId: z.uuid() })),
});
export type FieldView = z.output<typeof FieldView>;

/** What a record stands under on a list. */
export const ListedName = z.object({
  guideId: z.uuid().optional(),
  /** The name it goes by; absent where it is one of several. */
  taxon: z.string().optional(),
  /** As it is called, where no guide has it: the name that a checklist accepts for what was written. */
  name: z.string().optional(),
  /** What "A or B" is sure of: it counts for that alone. */
  group: z.string().optional(),
});
export type ListedName = z.output<typeof ListedName>;

/** A named record, as lists are made of it: the earliest of a taxon at a site, by a person, in a year. */
export const ListedRecord = ListedName.extend({
  kind: z.enum(['capture', 'specimen']),
  id: z.uuid(),
  day: Day,
  site: z.uuid().optional(),
  by: z.string(),
});
export type ListedRecord = z.output<typeof ListedRecord>;
/** A name that was corrected, or a record that was removed or put back: as a list would have it before, and since. */
export const Correction = z.object({
  kind: ListedRecord.shape.kind,
  id: z.uuid(),
  /** Of the record. */
  day: Day,
  site: z.uuid().optional(),
  recordedBy: z.string(),
  was: ListedName.optional(),
  became: ListedName.optional(),
  by: z.string(),
  at: z.iso.datetime(),
  /** What it turned out to be moved it: that was said, or taken back. */
  outcome: z.object({ kind: Outcome.shape.kind, takenBack: z.boolean() }).optional(),
});
export type Correction = z.output<typeof Correction>;
export const ListedRecords = z.object({
  records: z.array(ListedRecord),
  /** The newest first. */
  corrections: z.array(Correction),
});
export type ListedRecords = z.output<typeof ListedRecords>;

const whole = z.number().int().min(0).max(1_000_000);

/** Bodies of the arithmetic for scripts: the same core that the application uses. */
export const RatioRequest = z.strictObject({
  males: whole,
  females: whole,
  unsexed: whole.optional(),
  expected: z.number().optional(),
});
export const RatioAnswer = z.object({
  sexed: z.number(),
  unsexed: z.number(),
  /** Of males among the sexed. */
  share: z.number().optional(),
  interval: z.tuple([z.number(), z.number()]).optional(),
  p: z.number().optional(),
  expected: z.number(),
  bounds: z.tuple([z.number(), z.number()]).optional(),
});
export const AbundanceRequest = z.union([
  z.strictObject({
    visits: z
      .array(z.array(z.string().min(1).max(60)).max(20_000))
      .min(1)
      .max(200),
  }),
  z.strictObject({ first: whole, second: whole, both: whole }),
]);
export const AbundanceAnswer = z.object({
  method: z.enum(['chapman', 'schnabel']),
  n: z.number().optional(),
  interval: z.tuple([z.number(), z.number().nullable()]),
  sd: z.number().optional(),
  met: z.number(),
  again: z.number(),
  warnings: z.array(z.object({ code: z.string(), message: z.string(), field: z.string().optional() })),
});
export const EffortRequest = z.strictObject({ caught: whole, effort: z.number() });
export const EffortAnswer = z.object({
  caught: z.number(),
  effort: z.number(),
  rate: z.number(),
  interval: z.tuple([z.number(), z.number()]),
});
const code = z.strictObject({ family: z.string().max(80), code: z.string().max(8) });
export const AgeRequest = z.strictObject({
  seen: z
    .array(z.strictObject({ day: Day, age: code.optional() }))
    .min(1)
    .max(500),
  today: Day,
  /** Say the last code in this family too. */
  to: z.string().max(80).optional(),
  families: z.array(AgeFamily).max(20).optional(),
});
export const AgeAnswer = z.object({
  least: z.number().optional(),
  most: z.number().optional(),
  hatched: z.object({ from: z.string().optional(), to: z.string() }).optional(),
  codes: z.array(z.string()).optional(),
});
const place = z.strictObject({ latitude: z.number().min(-90).max(90), longitude: z.number().min(-180).max(180) });
const seen = z.strictObject({ day: Day, at: place.optional() });
export const LibertyRequest = z.strictObject({ from: seen, to: seen });
export const LibertyAnswer = z.object({
  days: z.number(),
  km: z.number().optional(),
  bearing: z.number().optional(),
  wind: z.string().optional(),
});
const weighed = z.strictObject({ mass: z.number(), length: z.number() });
export const ConditionRequest = z.strictObject({
  of: z.array(weighed).min(1).max(20_000),
  /** All of the kind; those asked for, where absent. */
  kind: z.array(weighed).max(20_000).optional(),
});
export const ConditionAnswer = z.object({
  index: z.array(z.number()),
  slope: z.number(),
  meanLength: z.number(),
  n: z.number(),
});
