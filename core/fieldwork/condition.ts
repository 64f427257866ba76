import { done, failed, type Outcome } from '../problem';

/** A mass in g with a length in mm, of one individual. */
export interface Weighed {
  mass: number;
  length: number;
}

/** The scaled mass index of some, by their kind's own slope. */
export interface Condition {
  /** g, at the mean length of the kind; in the order given. */
  index: number[];
  /** Of ln mass on ln length: standardised major axis. */
  slope: number;
  /** mm. */
  meanLength: number;
  n: number;
}

/** Fewer give no slope worth having. */
const LEAST = 5;

const mean = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length;

/**
 * Scaled mass index (Peig & Green 2009): each mass as it would be at the kind's mean length,
 * Mᵢ (L₀ / Lᵢ) ^ b, where b is the slope of the standardised major axis of ln mass on ln length.
 *
 * @param of those whose index is asked for; @param kind all of the kind that were weighed and measured.
 */
export function scaledMass(of: readonly Weighed[], kind: readonly Weighed[] = of): Outcome<Condition> {
  const wrong = kind.findIndex(({ mass, length }) => !(mass > 0 && length > 0 && mass + length < Number.POSITIVE_INFINITY));
  if (wrong >= 0)
    return failed({ code: 'not-positive', message: 'A mass and a length are more than 0.', field: `kind[${wrong}]` });
  if (kind.length < LEAST)
    return failed({
      code: 'too-few',
      message: `The slope of mass on length needs ${LEAST} of the kind, weighed and measured; there are ${kind.length}.`,
      field: 'kind',
    });
  const [x, y] = [kind.map(({ length }) => Math.log(length)), kind.map(({ mass }) => Math.log(mass))];
  const [mx, my] = [mean(x), mean(y)];
  const sum = (f: (i: number) => number) => x.reduce((total, _, i) => total + f(i), 0);
  const sxx = sum((i) => (x[i] - mx) ** 2);
  const sxy = sum((i) => (x[i] - mx) * (y[i] - my));
  const syy = sum((i) => (y[i] - my) ** 2);
  if (Math.max(...x) === Math.min(...x) || sxy === 0)
    return failed({ code: 'no-slope', message: 'Mass does not change with length here, so there is no slope.', field: 'kind' });
  const slope = Math.sign(sxy) * Math.sqrt(syy / sxx);
  const meanLength = mean(kind.map(({ length }) => length));
  return done({
    index: of.map(({ mass, length }) => mass * (meanLength / length) ** slope),
    slope,
    meanLength,
    n: kind.length,
  });
}

/** Weights before it that a fall is judged by. */
const LEAST_SERIES = 4;
/** Residual standard deviations. */
const FALL = 2;

/**
 * Has an individual fallen off? Its last weight against the straight line through those before it
 * (least squares), in residual standard deviations of that line.
 *
 * @param series day number and g, in order of time.
 * @returns undefined where fewer than four weights came before, or they leave no residual.
 */
export function weightFall(series: readonly { day: number; mass: number }[]): { residual: number; flagged: boolean } | undefined {
  const before = series.slice(0, -1);
  const last = series.at(-1);
  if (!last || before.length < LEAST_SERIES) return undefined;
  const [mx, my] = [mean(before.map(({ day }) => day)), mean(before.map(({ mass }) => mass))];
  const sxx = before.reduce((sum, { day }) => sum + (day - mx) ** 2, 0);
  const slope = sxx > 0 ? before.reduce((sum, { day, mass }) => sum + (day - mx) * (mass - my), 0) / sxx : 0;
  const at = (day: number) => my + slope * (day - mx);
  const sd = Math.sqrt(before.reduce((sum, { day, mass }) => sum + (mass - at(day)) ** 2, 0) / (before.length - 2));
  if (!(sd > 0)) return undefined;
  const residual = (last.mass - at(last.day)) / sd;
  return { residual, flagged: residual < -FALL };
}
