import { defineEntity, type InferEntity, p } from '@mikro-orm/core';
import type { Measurement, ProblemBody } from '@plesion/contract';
import type { Kept } from '@plesion/core/colony/schema';
import { SET_KINDS, type SetItem } from '@plesion/contract/sets';
import type { Facets, Guide, Judgement } from '@plesion/core/guide';
import type { Reading, Situation } from '@plesion/core/observation';
import type { KeptWalk, Key, KeyPaths } from '@plesion/core/keys';
import type { Determination, Summary } from '@plesion/core/specimen';
import { VERIFICATION_KINDS } from '@plesion/core/verification';

/** What every record has that is written by versions, and can be hidden. */
const recordColumns = {
  stationId: p.uuid().primary(),
  id: p.uuid().primary(),
  version: p.integer(),
  hidden: p.boolean(),
};
const times = { createdAt: p.datetime(), updatedAt: p.datetime() };

/** The group that works together; every other row belongs to one. */
export const StationEntity = defineEntity({
  name: 'Station',
  tableName: 'station',
  properties: {
    id: p.uuid().primary(),
    name: p.string().unique(),
    demo: p.boolean(),
    /** Degrees to which places of sensitive taxa are rounded where they leave the station. */
    grid: p.float().default(0.1),
    createdAt: p.datetime().onCreate(() => new Date()),
  },
});

/** Practice items that somebody gives to others. */
export const PracticeSetEntity = defineEntity({
  name: 'PracticeSet',
  tableName: 'practice_set',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    version: p.integer(),
    title: p.string(),
    guideId: p.uuid(),
    guideVersion: p.integer(),
    kind: p.enum([...SET_KINDS]),
    minutes: p.integer().nullable(),
    items: p.json<SetItem[]>(),
    given: p.boolean(),
    closed: p.boolean(),
    told: p.boolean(),
    hidden: p.boolean(),
    madeBy: p.string(),
    updatedAt: p.datetime(),
  },
});

/** What a specimen turned out to be; rows are added and taken back, never changed. */
export const VerificationEntity = defineEntity({
  name: 'Verification',
  tableName: 'verification',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    /** Of a specimen; of the bearer of a mark; or of an individual. */
    specimenId: p.uuid().nullable(),
    mark: p.string().nullable(),
    individualId: p.uuid().nullable(),
    kind: p.enum([...VERIFICATION_KINDS]),
    taxon: p.string(),
    facets: p.json<Facets>(),
    wrong: p.float(),
    onDay: p.string().columnType('date'),
    note: p.text().nullable(),
    sameCall: p.boolean(),
    /** What shows it. */
    photo: p.string().nullable(),
    fileHash: p.string().nullable(),
    fileName: p.string().nullable(),
    madeBy: p.string(),
    at: p.datetime(),
    withdrawnBy: p.string().nullable(),
    /** Known since things that are taken back say when. */
    withdrawnAt: p.datetime().nullable(),
    /** From what they did it, in words. */
    device: p.string().default(''),
  },
});
/** A file of any kind that shows how something turned out; it lies with the files of the station. */
export const AttachmentEntity = defineEntity({
  name: 'Attachment',
  tableName: 'attachment',
  properties: {
    stationId: p.uuid().primary(),
    hash: p.string().primary(),
    bytes: p.bigint('number'),
    createdAt: p.datetime().onCreate(() => new Date()),
  },
});
export type VerificationColumns = InferEntity<typeof VerificationEntity>;
export type PracticeSetColumns = InferEntity<typeof PracticeSetEntity>;

export const GuideEntity = defineEntity({
  name: 'Guide',
  tableName: 'guide',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    slug: p.string(),
    title: p.string(),
    summary: p.text(),
    kind: p.string(),
    area: p.string(),
    version: p.integer(),
    hash: p.string(),
    forms: p.integer(),
    characters: p.integer(),
    updatedAt: p.datetime(),
  },
});
export type GuideHead = InferEntity<typeof GuideEntity>;

/** Every version of a guide that was ever in force, so that determinations replay. */
export const GuideVersionEntity = defineEntity({
  name: 'GuideVersion',
  tableName: 'guide_version',
  properties: {
    stationId: p.uuid().primary(),
    guideId: p.uuid().primary(),
    version: p.integer().primary(),
    hash: p.string(),
    // Not jsonb: that would put the author's order of names away.
    content: p.json<Guide>().columnType('json'),
    /** Who found it fit before it was published. */
    reviewed: p.json<{ by: string; at: string; words: string }>().nullable(),
    createdAt: p.datetime().onCreate(() => new Date()),
  },
});

export const SpecimenEntity = defineEntity({
  name: 'Specimen',
  tableName: 'specimen',
  properties: {
    ...recordColumns,
    guideId: p.uuid().nullable(),
    guideVersion: p.integer().nullable(),
    individualId: p.uuid().nullable(),
    label: p.string(),
    place: p.string().nullable(),
    seenOn: p.string().columnType('date').nullable(),
    named: p.boolean(),
    search: p.text(),
    situation: p.json<Situation>(),
    readings: p.json<Reading[]>(),
    judgement: p.json<Judgement>().nullable(),
    walk: p.json<KeptWalk>().nullable(),
    determinations: p.json<Determination[]>(),
    summary: p.json<Summary>(),
    /** The taxon that it turned out to be, where lists go by that instead of its name. */
    listedInstead: p.string().nullable(),
    photo: p.string().nullable(),
    recordedBy: p.string(),
    ...times,
  },
});
export type SpecimenRecord = InferEntity<typeof SpecimenEntity>;

export const KeyEntity = defineEntity({
  name: 'Key',
  tableName: 'identification_key',
  properties: {
    ...recordColumns,
    guideId: p.uuid().nullable(),
    title: p.text(),
    summary: p.text().nullable(),
    hash: p.string(),
    couplets: p.integer(),
    endpoints: p.integer(),
    faults: p.integer(),
    updatedAt: p.datetime(),
  },
});
export type KeyHead = InferEntity<typeof KeyEntity>;

/** Every version of a key, so that a walk goes on with the one it began with. */
export const KeyVersionEntity = defineEntity({
  name: 'KeyVersion',
  tableName: 'identification_key_version',
  properties: {
    stationId: p.uuid().primary(),
    keyId: p.uuid().primary(),
    version: p.integer().primary(),
    content: p.json<Key>().columnType('json'),
    /** How short its ways are, where it was made from a guide. */
    paths: p.json<KeyPaths>().fieldName('making').nullable(),
    createdAt: p.datetime(),
  },
});

/** Specimens taken together and thought alike. */
export const LotEntity = defineEntity({
  name: 'Lot',
  tableName: 'lot',
  properties: {
    ...recordColumns,
    guideId: p.uuid().nullable(),
    label: p.string(),
    walk: p.json<KeptWalk>().nullable(),
    note: p.text().nullable(),
    ...times,
  },
});
export type LotRecord = InferEntity<typeof LotEntity>;

/** The specimens of a lot, in their order. */
export const LotSpecimenEntity = defineEntity({
  name: 'LotSpecimen',
  tableName: 'lot_specimen',
  properties: {
    stationId: p.uuid().primary(),
    lotId: p.uuid().primary(),
    specimenId: p.uuid().primary(),
    position: p.integer(),
  },
});

/** One animal or plant that may be met several times. */
export const IndividualEntity = defineEntity({
  name: 'Individual',
  tableName: 'individual',
  properties: {
    ...recordColumns,
    guideId: p.uuid().nullable(),
    label: p.string(),
    note: p.text().nullable(),
    /** What the keeper's book says of it. */
    kept: p.json<Kept>().nullable(),
    ...times,
  },
});
export type IndividualRecord = InferEntity<typeof IndividualEntity>;

/** What is kept of a specimen: photos, drawings, recordings, in their order. */
export const MediaEntity = defineEntity({
  name: 'Media',
  tableName: 'media',
  properties: {
    stationId: p.uuid().primary(),
    specimenId: p.uuid().primary(),
    position: p.integer().primary(),
    id: p.uuid(),
    kind: p.string(),
    hash: p.string(),
    view: p.string().nullable(),
    note: p.text().nullable(),
    credit: p.text().nullable(),
  },
});

/** What was measured of a specimen on a photo. */
export const MeasurementEntity = defineEntity({
  name: 'Measurement',
  tableName: 'measurement',
  properties: {
    ...recordColumns,
    specimenId: p.uuid(),
    photo: p.string().nullable(),
    size: p.json<NonNullable<Measurement['size']>>().nullable(),
    character: p.string(),
    protocol: p.json<Measurement['protocol']>(),
    sets: p.json<Measurement['sets']>(),
    scale: p.json<NonNullable<Measurement['scale']>>().nullable(),
    value: p.json<Measurement['value']>(),
    pointing: p.json<Measurement['pointing']>(),
    note: p.text().nullable(),
    measuredBy: p.string(),
    ...times,
  },
});
export type MeasurementRecord = InferEntity<typeof MeasurementEntity>;

/** Every write, in the order of commits: the feed that devices follow, and who did what. */
export const ChangeEntity = defineEntity({
  name: 'Change',
  tableName: 'change',
  properties: {
    stationId: p.uuid().primary(),
    seq: p.bigint('number').primary(),
    kind: p.string(),
    recordId: p.uuid(),
    version: p.integer(),
    account: p.string(),
    device: p.string().default(''),
    fields: p.json<string[]>(),
    at: p.datetime(),
  },
});

/** A photo, kept once in a station for its content. */
export const PhotoEntity = defineEntity({
  name: 'Photo',
  tableName: 'photo',
  properties: {
    stationId: p.uuid().primary(),
    hash: p.string().primary(),
    width: p.integer(),
    height: p.integer(),
    /** Of its files together. */
    bytes: p.bigint('number'),
    /** Where its files lay before they were files; `photos/moveOut.ts` empties these. */
    original: p.blob().nullable(),
    whole: p.blob().nullable(),
    thumb: p.blob().nullable(),
    createdAt: p.datetime().onCreate(() => new Date()),
  },
});

/** Long work: what it was asked, how far it is, and what it gave. */
export const JobEntity = defineEntity({
  name: 'Job',
  tableName: 'job',
  properties: {
    stationId: p.uuid().primary(),
    id: p.uuid().primary(),
    kind: p.string(),
    accountName: p.string(),
    /** Gone once it has ended. */
    asked: p.json<object>().columnType('json').nullable(),
    state: p.enum(['running', 'done', 'failed', 'cancelled'] as const),
    progress: p.float(),
    result: p.json<object>().columnType('json').nullable(),
    problem: p.json<ProblemBody>().columnType('json').nullable(),
    createdAt: p.datetime().onCreate(() => new Date()),
    /** When the process that does it last said so. */
    beatAt: p.datetime().nullable(),
    endedAt: p.datetime().nullable(),
  },
});
export type JobRow = InferEntity<typeof JobEntity>;

export const entities = [
  StationEntity,
  PracticeSetEntity,
  VerificationEntity,
  GuideEntity,
  GuideVersionEntity,
  SpecimenEntity,
  KeyEntity,
  KeyVersionEntity,
  LotEntity,
  LotSpecimenEntity,
  IndividualEntity,
  MediaEntity,
  MeasurementEntity,
  ChangeEntity,
  PhotoEntity,
  AttachmentEntity,
  JobEntity,
];
