import { z } from 'zod';

/** One plate of a form: which view, as what, and whether its characters are pointed at. */
export const PlateQuery = z.strictObject({
  form: z.string().min(1).max(300),
  view: z.string().min(1).max(80),
  as: z.enum(['svg', 'png'], 'a plate is made as svg or png').default('svg'),
  characters: z.stringbool().default(true),
});
export type PlateQuery = z.output<typeof PlateQuery>;
