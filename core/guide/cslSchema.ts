import { z } from 'zod';

/**
 * One item of literature as the Citation Style Language writes it (CSL-JSON 1.0.2, citationstyles.org): what a citation is made of,
 * and whatever else it says.
 */
export const CslItem = z.looseObject({
  id: z.union([z.string().max(200), z.number()]).optional(),
  type: z.string().max(60).default('document'),
  title: z.string().max(2000).optional(),
  author: z
    .array(
      z.looseObject({
        family: z.string().max(200).optional(),
        given: z.string().max(200).optional(),
        literal: z.string().max(400).optional(),
      }),
    )
    .max(200)
    .optional(),
  issued: z
    .looseObject({
      'date-parts': z
        .array(z.array(z.union([z.number(), z.string().max(20)])).max(3))
        .max(2)
        .optional(),
      raw: z.string().max(60).optional(),
      literal: z.string().max(60).optional(),
    })
    .optional(),
});
export type CslItem = z.infer<typeof CslItem>;
