import { CERTAINTIES } from '@plesion/core/evidence';
import { Key, KEY_PROBLEMS, KEY_PURPOSES, STATEMENT_ANSWERS, TEXT_STYLES } from '@plesion/core/keys/shape';
import { z } from 'zod';
import { Judgement, Reading, Situation } from './evidence';
import { JobStarted } from './jobs';

const p = z.number().min(0).max(1);
const key = z.string().min(1).max(80);

/** How short the ways of a made key are. */
export const Making = z.object({
  meanPath: z.number(),
  worstPath: z.number(),
  entropyBound: z.number(),
  optimum: z.number().optional(),
  /** Taxa that nothing allowed tells apart. */
  together: z.array(z.array(z.string())),
  /** Why the key was ended before all could be told apart that can be. */
  stopped: z.string().optional(),
});

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

export const KeyQuery = z.strictObject({ guideId: z.uuid().optional(), hidden: z.enum(['yes']).optional() });
export const KeyList = z.object({ keys: z.array(KeyRow) });

export const KeyProblem = z.object({
  code: z.enum(KEY_PROBLEMS),
  message: z.string(),
  weight: z.enum(['fault', 'caution']),
  couplet: z.string().optional(),
  lead: z.string().optional(),
});

export const StoredKey = KeyRow.extend({
  key: Key,
  problems: z.array(KeyProblem),
  /** Couplets from the start to the furthest ending. */
  depth: z.number().int(),
  making: Making.optional(),
});

export const KeyTextQuery = z.strictObject({ style: z.enum(TEXT_STYLES).optional() });

export const KeyVersionQuery = z.strictObject({ version: z.coerce.number().int().min(1).optional() });

/** What a client writes: the whole key and the version it last saw (0 for a new one). */
export const KeyWrite = z.strictObject({
  version: z.number().int().min(0),
  guideId: z.uuid().optional(),
  key: Key,
  hidden: z.boolean().default(false),
});

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

export const LineProblem = z.object({
  line: z.number().int(),
  code: z.string(),
  message: z.string(),
  mend: z.object({ say: z.string(), edits: z.array(z.object({ line: z.number().int(), text: z.string() })) }).optional(),
});

export const KeyImported = z.object({
  keyId: z.uuid(),
  couplets: z.number().int(),
  endpoints: z.number().int(),
  problems: z.array(LineProblem),
});

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

export const KeyMade = StoredKey.extend({ keyId: z.uuid() }).extend(Making.shape);
export const KeyMadeResponse = z.union([KeyMade, JobStarted]);

export const CoupletAnswer = z.strictObject({
  couplet: key,
  lead: z.union([key, z.number().int().min(1)]).optional(),
  fork: z.union([z.literal(true), z.array(z.number().min(0)).min(1).max(26)]).optional(),
  certainty: z.enum(CERTAINTIES).optional(),
  statements: z
    .array(
      z.strictObject({
        n: z.number().int().min(1),
        answer: z.enum(STATEMENT_ANSWERS),
        specimen: key.optional(),
        value: z.number().optional(),
        error: z.number().min(0).optional(),
      }),
    )
    .max(200)
    .optional(),
  note: z.string().max(2000).optional(),
});

/** A walk as it is kept with a specimen or lot. */
export const KeptWalk = z.strictObject({
  keyId: z.uuid(),
  keyVersion: z.number().int().min(1),
  start: key.optional(),
  answers: z.array(CoupletAnswer).max(5000),
});

/** A couplet by its id, or by its printed number. */
const asked = z.union([key, z.number().int().min(1)]);

export const WalkRequest = z.strictObject({
  answers: z.array(CoupletAnswer.extend({ couplet: asked })).max(5000),
  readings: z.array(Reading).max(500).optional(),
  /** The specimens of a lot instead of one. */
  specimens: z
    .array(z.strictObject({ id: key, label: z.string().max(120).optional(), readings: z.array(Reading).max(500) }))
    .min(1)
    .max(100)
    .optional(),
  situation: Situation.optional(),
  start: asked.optional(),
  ...Judgement.shape,
});

const Finding = z.object({
  n: z.number().int(),
  answer: z.enum([...STATEMENT_ANSWERS, 'undecided']),
  fit: p.optional(),
  said: z.string().optional(),
  from: z.enum(['person', 'reading']),
  specimen: z.string().optional(),
});

const LeadStanding = z.object({ lead: z.string(), support: z.number(), p, findings: z.array(Finding) });
const Endpoint = z.object({ taxon: z.string(), name: z.string(), p, byReadings: p.optional() });

export const WalkAnswer = z.object({
  at: z.string().nullable(),
  here: z.array(LeadStanding).optional(),
  open: z.array(z.object({ couplet: z.string(), p: z.number() })),
  trail: z.array(
    z.object({
      couplet: z.string(),
      number: z.string(),
      lead: z.string().optional(),
      forked: z.boolean(),
      certainty: z.enum(CERTAINTIES).optional(),
      leads: z.array(LeadStanding),
      note: z.string().optional(),
    }),
  ),
  endpoints: z.array(Endpoint),
  lost: z.number(),
  reached: Endpoint.optional(),
  missteps: z.array(
    z.object({
      couplet: z.string(),
      number: z.string(),
      taken: z.string(),
      instead: z.string(),
      taxon: z.string(),
      name: z.string(),
      p,
      bits: z.number(),
      text: z.string(),
    }),
  ),
  backCheck: z
    .object({
      taxon: z.string(),
      name: z.string(),
      items: z.array(
        z.object({
          character: z.string().optional(),
          label: z.string(),
          couplet: z.string().optional(),
          n: z.number().int().optional(),
          specimen: z.string().optional(),
          said: z.string(),
          verdict: z.enum(['agrees', 'seldom', 'against', 'not-scored']),
          p: p.optional(),
        }),
      ),
      agrees: z.number().int(),
      against: z.number().int(),
      fits: z.boolean(),
      text: z.string(),
    })
    .optional(),
  call: z.object({ allowed: z.boolean(), school: z.enum(['weigh', 'diagnostic', 'key']), text: z.string() }).optional(),
  beyond: z.array(z.string()),
  readings: z.array(z.object({ specimen: z.string(), readings: z.array(Reading) })),
});
