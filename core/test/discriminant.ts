import { addOuter, cholesky, lowerSize, solveLower } from '../linear';

/**
 * Linear discriminant analysis as textbooks have it (Fisher 1936; Rao 1948):
 * plug-in means, pooled covariance, class frequencies as priors. The yardstick
 * for guides learned from tables.
 *
 * @returns posterior over the classes of a row.
 */
export function linearDiscriminant(
  rows: readonly { form: string; x: readonly number[] }[],
): (x: readonly number[]) => Map<string, number> {
  const order = rows[0].x.length;
  const names = [...new Set(rows.map(({ form }) => form))];
  const groups = names.map((name) => rows.filter(({ form }) => form === name));
  const means = groups.map((group) =>
    Array.from({ length: order }, (_, i) => group.reduce((sum, { x }) => sum + x[i], 0) / group.length),
  );
  const covariance = new Float64Array(lowerSize(order));
  groups.forEach((group, g) =>
    group.forEach(({ x }) =>
      addOuter(
        covariance,
        x.map((v, i) => v - means[g][i]),
        1 / (rows.length - names.length),
      ),
    ),
  );
  const factor = cholesky(covariance, order)!;
  return (x) => {
    const logs = groups.map((group, g) => {
      const z = solveLower(
        factor,
        x.map((v, i) => v - means[g][i]),
        new Float64Array(order),
      );
      return Math.log(group.length / rows.length) - z.reduce((sum, v) => sum + v * v, 0) / 2;
    });
    const most = Math.max(...logs);
    const total = logs.reduce((sum, l) => sum + Math.exp(l - most), 0);
    return new Map(names.map((name, g) => [name, Math.exp(logs[g] - most) / total]));
  };
}

/** Accuracy and mean −ln P (nats) of stratified cross-validation. */
export function validated(
  rows: readonly { form: string; x: readonly number[] }[],
  folds = 10,
): { accuracy: number; logLoss: number } {
  let right = 0;
  let loss = 0;
  const seen = new Map<string, number>();
  const fold = rows.map(({ form }) => {
    const k = seen.get(form) ?? 0;
    seen.set(form, k + 1);
    return k % folds;
  });
  for (let k = 0; k < folds; k++) {
    const posterior = linearDiscriminant(rows.filter((_, i) => fold[i] !== k));
    rows.forEach(({ form, x }, i) => {
      if (fold[i] !== k) return;
      const p = posterior(x);
      if ([...p].reduce((a, b) => (b[1] > a[1] ? b : a))[0] === form) right++;
      loss -= Math.log(Math.max(p.get(form)!, 1e-12));
    });
  }
  return { accuracy: right / rows.length, logLoss: loss / rows.length };
}
