import { z } from 'zod';

/** What the columns of an archive's parts are made of. */
export const id = z.uuid();
export const instant = z.iso.datetime({ offset: true });
export const hash = z.string().regex(/^[0-9a-f]{64}$/);
export const version = z.number().int().min(1);
export const count = z.number().int().min(0);
export const title = z.string().max(2000);
/** From what something was done; since the twelfth form. */
export const device = z.string().max(200).default('');
/** What is found by search is made of several fields. */
export const text = z.string().max(40_000);

export interface Part {
  /** The table whose rows it holds. */
  table: string;
  /** What its rows are in the order of. */
  order: string;
  /** Its columns but the station's, in the order they are written in. */
  row: z.ZodObject;
}

export const part = <R extends z.ZodRawShape>(table: string, order: string, shape: R) => ({
  table,
  order,
  row: z.strictObject(shape),
});
