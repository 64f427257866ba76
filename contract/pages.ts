import { z } from 'zod';

const as = z.enum(['pdf', 'png'], 'a page is made as pdf or png').optional();

export const PageQuery = z.strictObject({ as });
export type PageQuery = z.output<typeof PageQuery>;

const paper = z.enum(['a4', 'a5'], 'a page is laid out on a4 or a5').optional();

/** Forms parted by commas; a specimen whose situation holds; a stock answer that is said on it; the paper it is printed on. */
export const ComparePageQuery = z.strictObject({
  forms: z.string().min(1).max(900),
  as,
  specimen: z.uuid().optional(),
  answer: z.uuid().optional(),
  paper,
});
export type ComparePageQuery = z.output<typeof ComparePageQuery>;
