import { Judgement } from '@plesion/core/guide/schema';
import {
  CoupletAnswer,
  Key,
  KEY_PURPOSES,
  KeyedSpecimen,
  KeyPaths,
  KeyProblem,
  LineProblem,
  TEXT_STYLES,
} from '@plesion/core/keys/schema';
import { Readings, Situation } from '@plesion/core/observation/schema';
import { z } from 'zod';
import { JobStarted } from './jobs';

const key = z.string().min(1).max(80);

export const KeyRow = z.object({
  id: z.uuid(),
  title: z.string(),
  summary: z.string().optional(),
  guideId: z.uuid().optional(),
  version: z.number().int().min(1),
  couplets: z.number().int(),
  /** Distinct endings. */
  endpoints: z.number().int(),
  faults: z.number().int(),
  hidden: z.boolean(),
  updatedAt: z.iso.datetime({ offset: true }),
});
export type KeyRow = z.output<typeof KeyRow>;

export const KeyQuery = z.strictObject({ guideId: z.uuid().optional(), hidden: z.enum(['yes']).optional() });
export type KeyQuery = z.output<typeof KeyQuery>;
export const KeyList = z.object({ keys: z.array(KeyRow) });
export type KeyList = z.output<typeof KeyList>;

export const StoredKey = KeyRow.extend({
  key: Key,
  problems: z.array(KeyProblem),
  /** Couplets from the start to the furthest ending. */
  depth: z.number().int(),
  paths: KeyPaths.optional(),
});
export type StoredKey = z.output<typeof StoredKey>;

export const KeyTextQuery = z.strictObject({ style: z.enum(TEXT_STYLES).optional() });
export type KeyTextQuery = z.output<typeof KeyTextQuery>;

export const KeyVersionQuery = z.strictObject({ version: z.coerce.number().int().min(1).optional() });
export type KeyVersionQuery = z.output<typeof KeyVersionQuery>;

/** What a client writes: the whole key and the version it last saw (0 for a new one). */
export const KeyWrite = z.strictObject({
  version: z.number().int().min(0),
  guideId: z.uuid().optional(),
  key: Key,
  hidden: z.boolean().default(false),
});
export type KeyWrite = z.output<typeof KeyWrite>;

export const KeyImport = z
  .strictObject({
    guideId: z.uuid().optional(),
    title: z.string().trim().min(1).max(200).optional(),
    text: z.string().optional(),
    sdd: z.string().optional(),
    json: z.unknown().optional(),
  })
  .refine((given) => [given.text, given.sdd, given.json].filter((one) => one !== undefined).length === 1, {
    message: 'give the key once: as text, as sdd or as json',
    path: ['text'],
  });
export type KeyImport = z.output<typeof KeyImport>;

export const KeyImported = z.object({
  keyId: z.uuid(),
  couplets: z.number().int(),
  endpoints: z.number().int(),
  problems: z.array(LineProblem),
});
export type KeyImported = z.output<typeof KeyImported>;

export const KeyMake = z.strictObject({
  purpose: z.enum(KEY_PURPOSES),
  /** Forms or taxa; all where absent. */
  forms: z.array(key).min(1).max(20000).optional(),
  /** Characters to be used before others. */
  prefer: z.array(key).max(200).optional(),
  /** Confirming statements a lead, beside the first. */
  confirm: z.number().int().min(0).max(6).optional(),
  title: z.string().trim().min(1).max(200).optional(),
});
export type KeyMake = z.output<typeof KeyMake>;

export const KeyMade = StoredKey.extend({ keyId: z.uuid() }).extend(KeyPaths.shape);
export type KeyMade = z.output<typeof KeyMade>;
export const KeyMadeResponse = z.union([KeyMade, JobStarted]);
export type KeyMadeResponse = z.output<typeof KeyMadeResponse>;

/** A couplet by its id, or by its printed number. */
const asked = z.union([key, z.number().int().min(1)]);

export const WalkRequest = z.strictObject({
  answers: z.array(CoupletAnswer.extend({ couplet: asked })).max(5000),
  readings: Readings.optional(),
  /** The specimens of a lot instead of one. */
  specimens: z.array(KeyedSpecimen).min(1).max(100).optional(),
  situation: Situation.optional(),
  start: asked.optional(),
  ...Judgement.shape,
});
export type WalkRequest = z.output<typeof WalkRequest>;
