import { z } from 'zod';
import { METHODS } from '../fieldwork/vocabulary';
import { key } from '../observation/schema';
import { DAY_ORDERS, TARGETS, TRANSLATED } from './vocabulary';

/** Of what a word of a table is one. */
export const Translation = z.enum(TRANSLATED);

const cell = z.string().max(2000);

/** A target, or a character of the guide that the column measures. */
export const ColumnTarget = z.union([
  z.enum(TARGETS),
  z.string().regex(/^reading:.{1,80}$/, 'name a target, or “reading:” and a character of the guide'),
]);
export type ColumnTarget = z.infer<typeof ColumnTarget>;

/** How a table of earlier years is to be read. What is not said is guessed from its header and its cells. */
export const ImportHow = z.strictObject({
  /** Columns by their names, and what each says; others are left out. */
  columns: z
    .array(z.strictObject({ column: cell, to: ColumnTarget }))
    .max(200)
    .refine((columns) => new Set(columns.map(({ to }) => to)).size === columns.length, {
      message: 'two columns are said to be the same',
    })
    .optional(),
  /** The guide whose names and characters they are. */
  guideId: z.uuid().optional(),
  days: z.enum(DAY_ORDERS).optional(),
  /** Of the clock that the times were read from. */
  offset: z
    .string()
    .regex(/^[+-](0\d|1[0-4]):[0-5]\d$/, 'write the offset as +01:00')
    .optional(),
  /** The family that ages are written in. */
  family: key.optional(),
  /** Where no column says it. */
  site: z.string().trim().min(1).max(120).optional(),
  people: z.string().trim().min(1).max(120).optional(),
  method: z.enum(METHODS).optional(),
  /** Words of the table, and what they mean. */
  words: z
    .array(z.strictObject({ of: Translation, from: cell, to: cell }))
    .max(2000)
    .optional(),
  /** Lines that are not read in. */
  leaveOut: z.array(z.number().int().min(1)).max(50_000).optional(),
  /** Whatever line has something wrong is not read in. */
  leaveWrong: z.boolean().optional(),
  /** Why it stands all the same where a rule of the guide is broken, or no licence is on file. */
  stands: z.string().trim().min(1).max(120).optional(),
});
export type ImportHow = z.infer<typeof ImportHow>;
