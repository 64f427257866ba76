import { z } from 'zod';
import { Facets, id, label, share, text } from './terms';

/** Characters measured together on labelled specimens, with what they share within a form. */
export const Block = z.strictObject({
  id,
  label,
  characters: z.array(id).min(2).max(200),
  /** Compared as natural logarithms. */
  log: z.boolean(),
  /** Degrees of freedom of the multivariate t; absent for a normal. */
  degrees: z.number().gt(2).optional(),
  /** Power of the block's density: below 1 where the table showed it to be too sure of itself. */
  temper: z.number().gt(0).max(1).default(1),
  forms: z
    .array(
      z.strictObject({
        taxon: id,
        facets: Facets,
        n: z.number().int().min(1),
        mean: z.array(z.number()),
        /** Lower triangle by rows, where the form has a covariance of its own. */
        covariance: z.array(z.number()).optional(),
      }),
    )
    .min(1),
  /** Lower triangle by rows of the covariance within forms, pooled and shrunk. */
  covariance: z.array(z.number()),
});
export type Block = z.infer<typeof Block>;

/** How well a learned guide told its own table apart, each specimen by a guide that had not seen it. */
export const CrossValidation = z.strictObject({
  folds: z.number().int(),
  n: z.number().int(),
  accuracy: share,
  /** Mean −ln P of the true form: nats. */
  logLoss: z.number(),
  forms: z.array(z.string()),
  /** Rows are the truth, columns what was called. */
  confusion: z.array(z.array(z.number().int())),
  calibration: z.array(z.strictObject({ from: share, to: share, n: z.number().int(), stated: share, right: share })),
});
export type CrossValidation = z.infer<typeof CrossValidation>;

/** A ratio of two lengths that tells two groups apart. */
export const Ratio = z.strictObject({
  a: z.string(),
  b: z.string(),
  numerator: id,
  denominator: id,
  cut: z.number(),
  /** Which group lies above the cut. */
  above: z.string(),
  /** Share of mistakes on specimens that neither the ratio nor its cut was chosen by, when both groups are equally likely. */
  error: share,
  /** 95 % interval of that share. */
  interval: z.tuple([share, share]).optional(),
  /** Where specimens are few: the share of shuffled labels that do as well. */
  byChance: share.optional(),
  /** Is it shown to be better than chance? Told by guides learned since this was asked. */
  shown: z.boolean().optional(),
  text: z.string(),
});
export type Ratio = z.infer<typeof Ratio>;

/** What a guide learned from a table says of itself. */
export const Learned = z.strictObject({
  rows: z.number().int(),
  leftOut: z.number().int(),
  crossValidation: CrossValidation,
  ratios: z.array(Ratio),
  /** What the table itself chose: scale, shrinkage, tails, in a sentence. */
  choice: text,
});
export type Learned = z.infer<typeof Learned>;
