import { COLUMN_KINDS, CrossValidation, Facets, Ratio } from '@plesion/core/guide/schema';
import { z } from 'zod';
import { JobStarted } from './jobs';

const column = z.string().min(1).max(200);

export const LearnRequest = z.strictObject({
  title: z.string().trim().min(1, 'give the guide a title').max(120),
  csv: z.string().min(1, 'the table is empty'),
  labels: z.strictObject({
    taxon: column.optional(),
    sex: column.optional(),
    stage: column.optional(),
    morph: column.optional(),
  }),
  ignore: z.array(column).max(1000).optional(),
  /** What columns hold, where it is not to be guessed. */
  kinds: z.record(column, z.enum(COLUMN_KINDS)).optional(),
});
export type LearnRequest = z.output<typeof LearnRequest>;

/** `?wait=true` answers with the result itself. */
export const WaitQuery = z.strictObject({ wait: z.enum(['true', 'false']).optional() });
export type WaitQuery = z.output<typeof WaitQuery>;

export const LearnAnswer = z.object({
  guideId: z.uuid(),
  forms: z.array(z.object({ form: z.string(), taxon: z.string(), name: z.string(), facets: Facets, n: z.number().int() })),
  characters: z.array(z.object({ id: z.string(), label: z.string(), kind: z.string() })),
  crossValidation: CrossValidation,
  ratios: z.array(Ratio),
  choice: z.string(),
  /** Rows that were left out, by line. */
  problems: z.array(z.object({ line: z.number().int(), code: z.string(), message: z.string(), field: z.string().optional() })),
  leftOut: z.array(z.object({ name: z.string(), why: z.string() })),
});
export type LearnAnswer = z.output<typeof LearnAnswer>;

export const LearnResponse = z.union([LearnAnswer, JobStarted]);
export type LearnResponse = z.output<typeof LearnResponse>;
