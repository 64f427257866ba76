import type { CrossValidation } from '../guide/working';
import { type Choice, choose, rowScorer } from './choose';
import type { FoldedTable } from './folds';

/** Classes of stated probability in the calibration. */
const CLASSES = 10;

export interface Validated {
  result: CrossValidation;
  /** What all rows together choose. */
  choice: Choice;
  /** Held-out posterior of every row over the forms, row-major. */
  p: Float64Array;
}

/**
 * Stratified cross-validation with the choice of scale, shrinkage and tails
 * inside it (nested: Varma & Simon 2006): every specimen is called by a guide,
 * and by settings, that have not seen it.
 */
export function crossValidate(dealt: FoldedTable, onProgress: (share: number) => void): Validated {
  const { data, rows } = dealt;
  const F = data.forms.length;
  const choices = choose(dealt, onProgress);
  const p = new Float64Array(data.of.length * F);
  rows.forEach((held, k) => {
    const scorer = rowScorer(dealt, [k], choices[k], [choices[k]]);
    for (const row of held) p.set(scorer(row)[0], row * F);
  });
  onProgress(1);
  return { result: summary(dealt, p), choice: choices[rows.length], p };
}

function summary({ data, rows }: FoldedTable, p: Float64Array): CrossValidation {
  const F = data.forms.length;
  const confusion = data.forms.map(() => new Array<number>(F).fill(0));
  const classes = Array.from({ length: CLASSES }, () => ({ n: 0, stated: 0, right: 0 }));
  let right = 0;
  let loss = 0;
  data.of.forEach((truth, row) => {
    const own = p.subarray(row * F, (row + 1) * F);
    const called = own.reduce((best, x, f) => (x > own[best] ? f : best), 0);
    confusion[truth][called]++;
    if (called === truth) right++;
    loss -= Math.log(Math.max(own[truth], 1e-12));
    const at = classes[Math.min(CLASSES - 1, Math.floor(own[called] * CLASSES))];
    at.n++;
    at.stated += own[called];
    if (called === truth) at.right++;
  });
  const n = data.of.length;
  return {
    folds: rows.length,
    n,
    accuracy: right / n,
    logLoss: loss / n,
    forms: data.forms.map(({ name }) => name),
    confusion,
    calibration: classes.flatMap((at, k) =>
      at.n === 0 ? [] : [{ from: k / CLASSES, to: (k + 1) / CLASSES, n: at.n, stated: at.stated / at.n, right: at.right / at.n }],
    ),
  };
}
