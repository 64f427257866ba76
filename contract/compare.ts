import { Facets } from '@plesion/core/guide';
import { z } from 'zod';
import { Judgement, Situation } from './evidence';

const share = z.number().min(0).max(1);

export const CompareRequest = z.strictObject({
  forms: z.array(z.string().min(1).max(200)).min(2, 'name two to four forms').max(4, 'name two to four forms'),
  situation: Situation.optional(),
  ...Judgement.shape,
});

const Scored = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('states'), states: z.array(z.object({ state: z.string(), label: z.string(), p: share })) }),
  z.object({
    kind: z.literal('values'),
    mean: z.number(),
    sd: z.number(),
    log: z.boolean(),
    low: z.number(),
    high: z.number(),
    inferred: z.boolean().optional(),
  }),
]);

export const CompareAnswer = z.object({
  forms: z.array(z.object({ form: z.string(), taxon: z.string(), facets: Facets })),
  characters: z.array(
    z.object({
      character: z.string(),
      label: z.string(),
      overlap: share,
      separation: z.enum(['separates', 'helps', 'weak', 'does not separate']),
      pairs: z.array(z.object({ a: z.string(), b: z.string(), overlap: share.nullable() })),
      forms: z.array(Scored.nullable()),
      trap: z.boolean(),
      only: z.array(z.string()),
      hindrance: z.string().optional(),
    }),
  ),
  paragraph: z.string(),
  typeset: z.array(z.object({ text: z.string(), italic: z.boolean() })),
});
