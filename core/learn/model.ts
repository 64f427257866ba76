import { multivariateT } from '../probability';
import { cholesky, logDeterminant, lowerIndex, lowerSize, solveLower, symmetric } from '../linear';
import { type Kin, shrunkMeans } from './kin';
import { addScatter, meansOf, plus, type PairStatistics } from './pairStatistics';

/** What the data choose about a measured block. */
export interface Shape {
  log: boolean;
  /** Share of each form's own covariance, the rest pooled (Friedman 1989). */
  own: number;
  /** Multiple of the estimated shrinkage towards uncorrelated columns. */
  shrink: number;
  /** How far the means of rare forms are moved towards their relatives', of what few specimens ask for, 0..1. */
  kin: number;
}

/** A fitted block: means and covariances of its forms. */
export interface Model {
  order: number;
  means: Float64Array[];
  n: number[];
  /** Lower triangle, pooled and shrunk. */
  pooled: Float64Array;
  /** Of each form, where forms have their own. */
  own?: Float64Array[];
  shrinkage: number;
}

/** A variance is never taken below this share of the column's whole variance. */
const LEAST_VARIANCE = 1e-8;

/**
 * Means and covariances within forms from sufficient statistics: pooled, mixed
 * with each form's own by `own`, and shrunk towards uncorrelated columns. The
 * shrinkage is the Rao–Blackwell Ledoit–Wolf estimate (Ledoit & Wolf 2004; Chen,
 * Wiesel, Eldar & Hero 2010) on the correlation scale, times `shrink`.
 */
export function fitModel(
  forms: readonly PairStatistics[],
  order: number,
  { own, shrink, kin: towardsKin }: Pick<Shape, 'own' | 'shrink' | 'kin'>,
  kin: Kin,
): Model {
  const whole = forms.reduce((a, b) => plus(a, b, 1));
  const grand = meansOf(whole, new Float64Array(order));
  const scatter = new Float64Array(lowerSize(order));
  const freedom = new Float64Array(lowerSize(order));
  for (const sums of forms) addScatter(sums, order, scatter, freedom);
  const pooled = scatter.map((s, at) => (freedom[at] > 0 ? s / freedom[at] : 0));
  floorVariances(pooled, whole, order);
  const typical = Math.max(2, freedom.reduce((a, b) => a + b, 0) / (freedom.length || 1));
  const shrinkage = Math.min(1, shrink * estimateShrinkage(pooled, order, typical));
  const shrunk = positive(shrinkTowardsDiagonal(pooled, order, shrinkage), order);
  const { means, n } = meansAmongKin(forms, order, grand, shrunk, towardsKin, kin);
  return {
    order,
    means,
    n,
    pooled: shrunk,
    shrinkage,
    ...(own > 0 ? { own: forms.map((sums) => ownCovariance(sums, order, shrunk, own, shrinkage)) } : {}),
  };
}

/** Means of the forms, moved towards their relatives' by a share; a mean that leans on others is as good as one of more specimens. */
function meansAmongKin(
  forms: readonly PairStatistics[],
  order: number,
  grand: Float64Array,
  pooled: Float64Array,
  share: number,
  kin: Kin,
): { means: Float64Array[]; n: number[] } {
  const means = forms.map((sums) => meansOf(sums, grand));
  const n = forms.map((sums) => Math.max(1, sums.rows));
  if (share === 0 || forms.length < 3) return { means, n };
  const kept = forms.map(() => 0);
  for (let i = 0; i < order; i++) {
    const column = shrunkMeans(forms, order, i, symmetric(pooled, i, i), kin);
    forms.forEach((_, f) => {
      means[f][i] += share * (column.mean[f] - means[f][i]);
      kept[f] += column.kept[f] / order;
    });
  }
  return { means, n: n.map((own, f) => own / Math.max(1 - share * (1 - kept[f]), 0.1)) };
}

function ownCovariance(sums: PairStatistics, order: number, pooled: Float64Array, own: number, shrinkage: number): Float64Array {
  const scatter = new Float64Array(lowerSize(order));
  const freedom = new Float64Array(lowerSize(order));
  addScatter(sums, order, scatter, freedom);
  const self = shrinkTowardsDiagonal(
    scatter.map((s, at) => (freedom[at] > 0 ? s / freedom[at] : pooled[at])),
    order,
    shrinkage,
  );
  // A form with few specimens leans more on the others.
  const share = (own * sums.rows) / (sums.rows + order);
  return positive(
    pooled.map((p, at) => (1 - share) * p + share * self[at]),
    order,
  );
}

function floorVariances(covariance: Float64Array, whole: PairStatistics, order: number): void {
  for (let i = 0; i < order; i++) {
    const at = lowerIndex(i, i);
    const n = whole.count[at] || 1;
    const mean = whole.sum[i * order + i] / n;
    const total = Math.max(whole.product[at] / n - mean * mean, 1e-12);
    covariance[at] = Math.max(covariance[at], LEAST_VARIANCE * total);
  }
}

function estimateShrinkage(covariance: Float64Array, order: number, n: number): number {
  if (order < 2) return 0;
  let squares = 0;
  for (let i = 0; i < order; i++) {
    for (let j = 0; j < order; j++) {
      squares += symmetric(covariance, i, j) ** 2 / (symmetric(covariance, i, i) * symmetric(covariance, j, j));
    }
  }
  const trace = order;
  const numerator = ((n - 2) / n) * squares + trace ** 2;
  const denominator = (n + 2) * (squares - trace ** 2 / order);
  return denominator > 0 ? Math.min(1, numerator / denominator) : 1;
}

function shrinkTowardsDiagonal(covariance: Float64Array, order: number, by: number): Float64Array {
  const out = covariance.map((c) => (1 - by) * c);
  for (let i = 0; i < order; i++) out[lowerIndex(i, i)] = covariance[lowerIndex(i, i)];
  return out;
}

/** Pairwise covariances of incomplete rows may be indefinite: shrink until they are not. */
function positive(covariance: Float64Array, order: number): Float64Array {
  for (let by = 0; ; by = by === 0 ? 1e-6 : Math.min(1, by * 4)) {
    const tried = by === 0 ? covariance : shrinkTowardsDiagonal(covariance, order, by);
    if (by === 1 || cholesky(tried, order)) return tried;
  }
}

/** Squared distances of a row to every form, and ln |covariance| of each: all that scoring needs. */
export interface Scorer {
  /** Values present in the row that it was made for. */
  order: number;
  distances(x: Float64Array, out: Float64Array): void;
  lnDeterminants: Float64Array;
}

/** Scores rows of a model; one scorer for each pattern of missing cells, made when first met. */
export function scorersOf(model: Model): (x: Float64Array) => Scorer {
  const known = new Map<string, Scorer>();
  return (x) => {
    let pattern = '';
    for (let i = 0; i < x.length; i++) if (Number.isNaN(x[i])) pattern += `${i},`;
    let scorer = known.get(pattern);
    if (!scorer) {
      scorer = scorerFor(
        model,
        Array.from(x.keys()).filter((i) => !Number.isNaN(x[i])),
      );
      known.set(pattern, scorer);
    }
    return scorer;
  };
}

function scorerFor(model: Model, present: readonly number[]): Scorer {
  const order = present.length;
  const part = (lower: Float64Array) => {
    const out = new Float64Array(lowerSize(order));
    for (let i = 0, at = 0; i < order; i++) for (let j = 0; j <= i; j++) out[at++] = symmetric(lower, present[i], present[j]);
    return cholesky(out, order)!;
  };
  const means = model.means.map((mean) => Float64Array.from(present, (i) => mean[i]));
  const factors = model.own ? model.own.map(part) : undefined;
  const pooled = factors ? undefined : part(model.pooled);
  // Distances under one covariance are plain distances between transformed points.
  const moved = pooled && means.map((mean) => solveLower(pooled, mean, new Float64Array(order)));
  const gap = new Float64Array(order);
  const read = new Float64Array(order);
  const widen = model.n.map((n) => 1 + 1 / n);
  return {
    order,
    lnDeterminants: Float64Array.from(model.n, (_, f) => {
      const own = logDeterminant(factors ? factors[f] : pooled!, order);
      return own + order * Math.log(widen[f]);
    }),
    distances(x, out) {
      for (let i = 0; i < order; i++) read[i] = x[present[i]];
      if (pooled) solveLower(pooled, read, gap);
      for (let f = 0; f < means.length; f++) {
        const from = moved ? moved[f] : means[f];
        let sum = 0;
        if (moved) for (let i = 0; i < order; i++) sum += (gap[i] - from[i]) ** 2;
        else {
          for (let i = 0; i < order; i++) gap[i] = read[i] - from[i];
          solveLower(factors![f], gap, gap);
          for (let i = 0; i < order; i++) sum += gap[i] * gap[i];
        }
        out[f] = sum / widen[f];
      }
    },
  };
}

/** ln density of every form from its distances; one law for each number of values, made when first met. */
export function lawsOf(degrees: number | undefined): (scorer: Scorer, distances: Float64Array, out: Float64Array) => void {
  const laws: (ReturnType<typeof multivariateT> | undefined)[] = [];
  return (scorer, distances, out) => {
    const law = (laws[scorer.order] ??= multivariateT(degrees, scorer.order));
    for (let f = 0; f < out.length; f++) out[f] = law(distances[f], scorer.lnDeterminants[f]);
  };
}
