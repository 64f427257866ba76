import { z } from 'zod';

const count = z.number().int().min(0);

/** A checklist that was read in: names to write down what no guide has. */
export const Checklist = z.object({
  id: z.uuid(),
  file: z.string(),
  by: z.string(),
  at: z.iso.datetime({ offset: true }),
  names: count,
  /** Names that stand for another. */
  synonyms: count,
  notUnderstood: z.array(z.string()),
});
export type Checklist = z.output<typeof Checklist>;
export const ChecklistList = z.object({ checklists: z.array(Checklist) });

export const NameQuery = z.strictObject({ text: z.string().trim().min(1).max(120) });
/** A name that holds what was asked, and the name it stands for. */
export const KnownName = z.object({
  name: z.string(),
  accepted: z.string(),
  rank: z.string().optional(),
  vernacular: z.string().optional(),
});
export type KnownName = z.output<typeof KnownName>;
export const KnownNames = z.object({ names: z.array(KnownName) });
