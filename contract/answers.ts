import { key } from '@plesion/core/observation/schema';
import { z } from 'zod';

/** What the station answers where one taxon is taken for another, again and again. */
export const AnswerWrite = z
  .strictObject({
    guideId: z.uuid(),
    /** What it is called, and what it is: taxa of the guide. */
    called: key,
    truth: key,
    text: z.string().trim().min(1, 'write what is to be answered').max(1000),
  })
  .refine(({ called, truth }) => called !== truth, { message: 'choose two different taxa', path: ['truth'] });
export type AnswerWrite = z.output<typeof AnswerWrite>;

export const StockAnswer = z.object({
  id: z.uuid(),
  guideId: z.uuid(),
  called: z.string(),
  truth: z.string(),
  text: z.string(),
  /** Who wrote it last. */
  by: z.string(),
  at: z.iso.datetime({ offset: true }),
});
export type StockAnswer = z.output<typeof StockAnswer>;

export const AnswerList = z.object({
  answers: z.array(StockAnswer),
  /** What was named so most often and turned out to be another, and has no answer yet. */
  common: z.array(z.object({ called: z.string(), truth: z.string(), n: z.number().int() })),
});
export type AnswerList = z.output<typeof AnswerList>;
export const AnswerQuery = z.strictObject({ guideId: z.uuid() });
