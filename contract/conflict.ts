import { z } from 'zod';
import type { Endpoint } from './endpoints';
import { ProblemBody } from './problem';

/** 409 of an endpoint that writes: what is stored, beside what was sent. Nothing was saved. */
export const conflictOf = ({ response, body }: Pick<Endpoint, 'response' | 'body'>) =>
  ProblemBody.extend({ code: z.literal('stale-version'), stored: response, sent: body ?? z.unknown() });
