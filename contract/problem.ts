import { z } from 'zod';

/** Every answer that is not the one asked for. */
export const ProblemBody = z.object({
  code: z.string(),
  message: z.string(),
  field: z.string().optional(),
  /** All problems, where there are several. */
  problems: z.array(z.object({ code: z.string(), message: z.string(), field: z.string().optional() })).optional(),
});
