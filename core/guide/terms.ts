import '../shape';
import { z } from 'zod';
import { FACETS } from './vocabulary';

/** The small terms that the schemas of a guide are made of. */
export const id = z
  .string()
  .min(1)
  .max(80)
  .regex(/^[\p{L}\p{N}][\p{L}\p{N}_-]*$/u, 'use letters, digits, hyphens and underscores');
export const label = z.string().min(1).max(200);
export const text = z.string().max(4000);
export const monthDay = z.string().regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, 'write a day as MM-DD');
export const share = z.number().min(0).max(1);
export const positive = z.number().positive();

export const FacetName = z.enum(FACETS);
export type FacetName = z.infer<typeof FacetName>;

export const Facets = z.partialRecord(FacetName, id);
export type Facets = z.infer<typeof Facets>;
