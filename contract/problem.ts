import { LineMend } from '@plesion/core/keys/schema';
import { z } from 'zod';

/** Every answer that is not the one asked for. */
export const ProblemBody = z.object({
  code: z.string(),
  message: z.string(),
  field: z.string().optional(),
  /** Of a fault of the server: what to quote when it is told to whoever runs it. */
  requestId: z.string().optional(),
  /** All problems, where there are several. */
  problems: z
    .array(
      z.object({
        code: z.string(),
        message: z.string(),
        field: z.string().optional(),
        /** Line of a text that was sent, and what would mend it. */
        line: z.number().int().optional(),
        mend: LineMend.optional(),
      }),
    )
    .optional(),
});
export type ProblemBody = z.output<typeof ProblemBody>;
