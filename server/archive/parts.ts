import { schemas } from '@plesion/contract';
import { Kept, Pairing, Pen } from '@plesion/core/colony/schema';
import { BaseMap } from '@plesion/contract/map';
import { OfficeFile, OfficeReceipt, Recovery } from '@plesion/contract/office';
import {
  CaptureContent,
  CountContent,
  SheetContent,
  SiteContent,
  StringContent,
  VisitContent,
} from '@plesion/core/fieldwork/schema';
import { GRIDS, USUAL_GRID } from '@plesion/core/formats/schema';
import { Judgement } from '@plesion/core/guide/schema';
import { KeptWalk, Key, KeyPaths } from '@plesion/core/keys/schema';
import { Reading, Situation } from '@plesion/core/observation/schema';
import { Asked, JudgedStep, PracticeAnswer } from '@plesion/core/practice/schema';
import { Determination, Media, Summary } from '@plesion/core/specimen/schema';
import { AttachmentHash } from '@plesion/contract/verifications';
import { z } from 'zod';
import { ListedName } from '../records/corrections';
import { count, device, hash, id, instant, part, type Part, text, title, version } from './columns';
import { together } from './together';
import { writing } from './writing';

/** The form of an archive; one that is newer is refused. `docs/archive.md` describes it. */
export const FORM = 'plesion-station';
export const FORM_VERSION = 17;

const { MeasurementWrite, Measurement, PhotoHash } = schemas;

/** What every record of fieldwork has. */
const fieldRecord = { id, version, hidden: z.boolean(), recorded_by: title, created_at: instant, updated_at: instant };

/** By which import it came, where it was read in; since the fifth form. */
const readIn = { import_id: id.nullable().default(null) };

/**
 * What an archive holds, one file of lines each, so ordered that each refers only to those before it.
 */
export const PARTS = {
  guides: part('guide', 'id', {
    id,
    slug: z.string().max(200),
    title,
    summary: text,
    kind: title,
    area: title,
    version,
    hash,
    forms: count,
    characters: count,
    updated_at: instant,
  }),
  guide_versions: part('guide_version', 'guide_id, version', {
    guide_id: id,
    version,
    hash,
    // Read as a guide that is imported is.
    content: z.unknown(),
    created_at: instant,
    reviewed: z
      .object({ by: title, at: instant, words: z.string().max(2000) })
      .nullable()
      .default(null),
  }),
  // Who offers it and from where it was imported is between the stations of one server, and not carried.
  guide_sharing: part('guide_sharing', 'guide_id', {
    guide_id: id,
    withdrawn_at: instant.nullable(),
    withdrawn_by: title.nullable(),
    withdrawn_why: z.string().max(500).nullable(),
  }),
  keys: part('identification_key', 'id', {
    id,
    guide_id: id.nullable(),
    title,
    summary: text.nullable(),
    version,
    hash,
    couplets: count,
    endpoints: count,
    faults: count,
    hidden: z.boolean(),
    updated_at: instant,
  }),
  key_versions: part('identification_key_version', 'key_id, version', {
    key_id: id,
    version,
    content: Key,
    making: KeyPaths.nullable(),
    created_at: instant,
  }),
  individuals: part('individual', 'id', {
    id,
    guide_id: id.nullable(),
    version,
    label: title,
    note: text.nullable(),
    // Since the twelfth form.
    kept: Kept.nullable().default(null),
    hidden: z.boolean(),
    created_at: instant,
    updated_at: instant,
  }),
  photos: part('photo', 'hash', { hash: PhotoHash, width: count, height: count, bytes: count, created_at: instant }),
  attachments: part('attachment', 'hash', { hash: AttachmentHash, bytes: count, created_at: instant }),
  specimens: part('specimen', 'id', {
    id,
    guide_id: id.nullable(),
    guide_version: version.nullable(),
    individual_id: id.nullable(),
    version,
    label: title,
    place: title.nullable(),
    seen_on: z.iso.date().nullable(),
    named: z.boolean(),
    search: text,
    situation: Situation,
    readings: z.array(Reading).max(2000),
    judgement: Judgement.nullable(),
    walk: KeptWalk.nullable(),
    determinations: z.array(Determination).max(2000),
    summary: Summary,
    photo: PhotoHash.nullable(),
    // Since the eleventh form.
    listed_instead: z.string().nullable().default(null),
    hidden: z.boolean(),
    recorded_by: title,
    created_at: instant,
    updated_at: instant,
  }),
  media: part('media', 'specimen_id, position', {
    specimen_id: id,
    position: count,
    id,
    kind: Media.shape.kind,
    hash: PhotoHash,
    view: title.nullable(),
    note: text.nullable(),
    // Since the third form.
    credit: title.nullable().default(null),
  }),
  lots: part('lot', 'id', {
    id,
    guide_id: id.nullable(),
    version,
    label: title,
    walk: KeptWalk.nullable(),
    note: text.nullable(),
    hidden: z.boolean(),
    created_at: instant,
    updated_at: instant,
  }),
  lot_specimens: part('lot_specimen', 'lot_id, position', { lot_id: id, specimen_id: id, position: count }),
  measurements: part('measurement', 'id', {
    id,
    version,
    specimen_id: id,
    photo: PhotoHash.nullable(),
    size: MeasurementWrite.shape.size.unwrap().nullable(),
    character: title,
    protocol: MeasurementWrite.shape.protocol,
    sets: MeasurementWrite.shape.sets,
    scale: MeasurementWrite.shape.scale.unwrap().nullable(),
    value: Measurement.shape.value,
    pointing: Measurement.shape.pointing,
    note: text.nullable(),
    measured_by: title,
    hidden: z.boolean(),
    created_at: instant,
    updated_at: instant,
  }),
  imports: part('field_import', 'id', {
    id,
    file: title,
    account: title,
    at: instant,
    sites: count,
    visits: count,
    captures: count,
    taken_back_at: instant.nullable(),
  }),
  sites: part('site', 'id', { ...fieldRecord, ...readIn, content: SiteContent }),
  visits: part('visit', 'id', {
    ...fieldRecord,
    ...readIn,
    site_id: id,
    started_at: instant,
    ended_at: instant.nullable(),
    content: VisitContent,
  }),
  captures: part('capture', 'id', {
    ...fieldRecord,
    ...readIn,
    visit_id: id,
    at: instant,
    what: CaptureContent.shape.what,
    mark: CaptureContent.shape.mark.unwrap().nullable(),
    due: z.iso.date().nullable(),
    content: CaptureContent,
  }),
  strings: part('ring_string', 'id', { ...fieldRecord, content: StringContent }),
  counts: part('field_count', 'id', { ...fieldRecord, site_id: id.nullable(), at: instant, content: CountContent }),
  sheets: part('field_sheet', 'id', { ...fieldRecord, content: SheetContent }),
  pairings: part('pairing', 'id', { ...fieldRecord, guide_id: id, content: Pairing }),
  pens: part('pen', 'id', { ...fieldRecord, guide_id: id, content: Pen }),
  ...writing,
  office_files: part('office_file', 'id', {
    id,
    year: z.number().int(),
    sha256: hash,
    content: z.string().max(32_000_000),
    rows: count,
    account: title,
    at: instant,
    state: OfficeFile.shape.state,
    tries: count,
    tried_at: instant.nullable(),
    said: title.nullable(),
    receipt: OfficeReceipt.nullable(),
  }),
  recoveries: part('recovery', 'id', {
    id,
    mark: Recovery.shape.ring,
    found_on: z.iso.date(),
    content: Recovery,
    received_at: instant,
  }),
  checklists: part('checklist', 'id', {
    id,
    file: title,
    account: title,
    at: instant,
    names: count,
    synonyms: count,
    not_understood: z.array(title),
  }),
  checklist_names: part('checklist_name', 'checklist_id, name', {
    checklist_id: id,
    name: title,
    accepted: title,
    rank: title.nullable(),
    vernacular: title.nullable(),
  }),
  base_maps: part('base_map', 'at', { content: BaseMap, account: title, at: instant }),
  corrections: part('correction', 'kind, record_id, version, cause', {
    kind: z.enum(['capture', 'specimen']),
    record_id: id,
    version,
    day: z.iso.date(),
    site_id: id.nullable(),
    recorded_by: title,
    was: ListedName.nullable(),
    became: ListedName.nullable(),
    account: title,
    at: instant,
    // Since the eleventh form.
    cause: z.string().max(80).default(''),
  }),
  practice_answers: part('practice_answer', 'id', {
    id,
    account: title,
    guide_id: id,
    guide_version: version,
    seed: title,
    asked: Asked,
    answer: PracticeAnswer,
    truth: title,
    p: z.number(),
    bits: z.number(),
    correct: z.boolean(),
    // Since the seventh form.
    other: title.nullable().default(null),
    mark_right: z.boolean().nullable().default(null),
    // Since the eighth.
    mark_shown: z.number().nullable().default(null),
    // Since the ninth.
    steps: z.array(JudgedStep).nullable().default(null),
    at: instant,
  }),
  ...together,
  changes: part('change', 'seq', {
    seq: z.number().int().min(1),
    kind: z.enum(schemas.RECORD_NAMES),
    record_id: id,
    version,
    account: title,
    // Since the twelfth form.
    device,
    fields: z.array(title).max(200),
    at: instant,
  }),
  earlier_states: part('earlier_state', 'kind, record_id, version', {
    kind: z.enum(schemas.RECORD_NAMES),
    record_id: id,
    version,
    content: z.record(z.string(), z.unknown()),
  }),
} satisfies Record<string, Part>;

export type PartName = keyof typeof PARTS;

/** The form since which an archive has a part, where it is not the first: an older one has none of it. */
export const SINCE: Partial<Record<PartName, number>> = {
  measurements: 2,
  sites: 4,
  visits: 4,
  captures: 4,
  strings: 4,
  counts: 4,
  sheets: 4,
  imports: 5,
  office_files: 5,
  recoveries: 5,
  base_maps: 5,
  checklists: 5,
  checklist_names: 5,
  corrections: 6,
  practice_answers: 6,
  practice_sets: 9,
  verifications: 9,
  practice_attempts: 9,
  practice_set_answers: 9,
  opinion_asks: 10,
  opinions: 10,
  reviews: 11,
  remarks: 11,
  earlier_states: 12,
  pairings: 12,
  pens: 15,
  attachments: 16,
  deeds: 17,
  drafts: 13,
  draft_edits: 13,
  draft_reviews: 13,
  guide_sharing: 13,
  stock_answers: 11,
};

export type Row<N extends PartName> = z.output<(typeof PARTS)[N]['row']>;
export const PART_NAMES = Object.keys(PARTS) as PartName[];
export const columnsOf = (name: PartName): string[] => Object.keys(PARTS[name].row.shape);

/** Each part has a file of lines, each line a row. */
export const fileOf = (name: PartName) => `${name}.jsonl`;

/** The files of a photo, by their size. */
export const PHOTO_FILES = { original: 'original', whole: 'whole.jpg', thumb: 'thumb.jpg' } as const;
export const photoFile = (photo: string, size: keyof typeof PHOTO_FILES) => `photos/${photo}/${PHOTO_FILES[size]}`;

/** A file that shows how something turned out, as it was sent. */
export const attachmentFile = (hash: string) => `attachments/${hash}`;

const written = z.object({ rows: count, sha256: hash });

/** `station.json`: what is in the archive, where it comes from, and by what it is told whether it is whole. */
export const Manifest = z.object({
  form: z.literal(FORM),
  version: z.number().int().min(1),
  plesion: z.string(),
  at: instant,
  // The grid since the sixth form.
  station: z.object({ name: z.string(), grid: z.literal(GRIDS).default(USUAL_GRID) }),
  parts: z.object(Object.fromEntries(PART_NAMES.map((name) => [name, written])) as Record<PartName, typeof written>),
});
export type Manifest = z.output<typeof Manifest>;

export const MANIFEST = 'station.json';
