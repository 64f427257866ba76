import { Judgement } from '@plesion/core/guide/schema';
import { Situation } from '@plesion/core/observation/schema';
import { z } from 'zod';

export const CompareRequest = z.strictObject({
  forms: z.array(z.string().min(1).max(200)).min(2, 'name two to four forms').max(4, 'name two to four forms'),
  situation: Situation.optional(),
  ...Judgement.shape,
});
export type CompareRequest = z.output<typeof CompareRequest>;
