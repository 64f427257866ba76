import { z } from 'zod';
import { FacetName, id, label, text } from './terms';

/** One way to name the same forms: which taxa it sinks into their parents, and which it renames. */
export const Treatment = z.strictObject({
  id,
  label,
  explanation: text,
  sinks: z.array(id).default([]),
  renames: z.record(id, label).optional(),
});
export type Treatment = z.infer<typeof Treatment>;

/** Several facet values called together: "adult female or young of either sex". */
export const Union = z.strictObject({
  id,
  label,
  of: z.array(z.partialRecord(FacetName, z.array(id).min(1))).min(2),
});
export type Union = z.infer<typeof Union>;

/** To call something else when it is this taxon counts as so many ordinary mistakes. */
export const Cost = z.strictObject({ taxon: id, weight: z.number().min(1).max(1000), reason: text });
export type Cost = z.infer<typeof Cost>;
