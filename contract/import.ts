import { ImportHow, Translation } from '@plesion/core/import/schema';
import { z } from 'zod';

/** Largest file of earlier years that is read in, in bytes. */
export const LARGEST_IMPORT = 64 * 1024 * 1024;

/** What is sent beside the file, or instead of it: one that was tried before, by its id. */
export const ImportForm = z.strictObject({
  /** JSON of how it is to be read; what is not said is guessed. */
  how: z.string().max(1_000_000).optional(),
  /** Dry run whose file is tried again. */
  from: z.uuid().optional(),
});

const count = z.number().int().min(0);

/** What is wrong with a line, in which cell, and what it may have been meant to be. */
export const ImportProblem = z.object({
  line: z.number().int(),
  code: z.string(),
  message: z.string(),
  field: z.string().optional(),
  column: z.string().optional(),
  cell: z.string().optional(),
  of: Translation.optional(),
  suggest: z.string().optional(),
});
export type ImportProblem = z.output<typeof ImportProblem>;

/** A dry run: how the file was read, what would be stored, and what is in the way. */
export const ImportTried = z.object({
  /** Of the dry run, to try it again otherwise or to read it in. */
  id: z.uuid(),
  /** Under which the file lies. */
  source: z.uuid(),
  file: z.string(),
  /** As it was read, guesses and all. */
  how: ImportHow,
  encoding: z.string(),
  columns: z.array(z.object({ column: z.string(), examples: z.array(z.string()) })),
  rows: count,
  sites: count,
  visits: count,
  captures: count,
  /** Captures that are in the station already, and stay as they are. */
  there: count,
  /** Lines that are left out because something is wrong with them. */
  leftOut: count,
  /** Lines with something wrong, and all that is wrong with the first of them. */
  wrongLines: count,
  problems: z.array(ImportProblem),
  /** Words that are not understood, each once, with how many lines have them. */
  words: z.array(z.object({ of: Translation, from: z.string(), n: count, suggest: z.string().optional() })),
  /** The first captures, in words. */
  sample: z.array(z.object({ line: count, says: z.string() })),
  /** Columns, terms and files that were not taken. */
  notUnderstood: z.array(z.string()),
});
export type ImportTried = z.output<typeof ImportTried>;

/** Read in what was tried, as it was tried last. */
export const ImportRequest = z.strictObject({
  /** The job of the dry run. */
  tried: z.uuid(),
});

/** Records that came in together, and go together. */
export const ImportMade = z.object({
  id: z.uuid(),
  file: z.string(),
  by: z.string(),
  at: z.iso.datetime({ offset: true }),
  sites: count,
  visits: count,
  captures: count,
  takenBackAt: z.iso.datetime({ offset: true }).optional(),
});
export type ImportMade = z.output<typeof ImportMade>;
export const ImportList = z.object({ imports: z.array(ImportMade) });

/** What a taking back took, and what stays because it was changed since. */
export const ImportTakenBack = z.object({ captures: count, kept: count });
export type ImportTakenBack = z.output<typeof ImportTakenBack>;
