import { type FoldedTable, entriesWithout, lnFrequencies, type Scale, sumsWithout } from './folds';
import { kinOf } from './kin';
import { fitModel, lawsOf, scorersOf, type Shape } from './model';
import { stackingWeights } from './stack';
import { frequenciesFrom, categoricalDensities } from './categorical';

/** Everything the data choose, by inner cross-validation. */
export interface Choice extends Shape {
  /** Tails: ν of the multivariate t; normal where absent. */
  degrees?: number;
  /** Powers of the block's density and of the categorical columns': below 1 where they prove too sure. */
  temper: number;
  categorical: number;
}

const OWN = [0, 0.3, 1];
const SHRINK = [0, 1, 5];
const DEGREES = [undefined, 30, 10, 5];
const KIN = [0, 1];
/** Forms with more specimens than this are where they are, whatever their relatives say. */
const MANY = 40;
/** Rows from which on the best candidate is clear, and taken; with fewer, what is equally good is averaged. */
const CLEAR = 300;
const POWERS = [1, 0.85, 0.7, 0.55, 0.4];

/** Floating-point work that the search may cost: a few seconds of one core. */
const BUDGET = 6e8;
/** A simpler choice is kept when a richer one is better by less than this many standard errors (Breiman et al. 1984). */
const PREFER_SIMPLE = 1;

/** Held-out rows of one pair of folds: scored without either, they speak for leaving out `fold`. */
interface Trial {
  /** The outer fold that the row helps to choose for. */
  fold: number;
  row: number;
}

/** Losses of every candidate on the same rows. */
interface Losses {
  trials: Trial[];
  loss: Float64Array[];
}

/** Chooses a shape, tails and powers for every outer fold, and for all rows together (the last). */
export function choose(dealt: FoldedTable, onProgress: (share: number) => void): Choice[] {
  const shapes = shapesOf(dealt);
  const trials = trialsOf(dealt, shapes.length);
  const candidates = shapes.flatMap((shape) => DEGREES.map((degrees) => ({ ...shape, degrees })));
  const loss: Float64Array[] = [];
  shapes.forEach((shape, s) => {
    loss.push(
      ...lossesOf(
        dealt,
        trials,
        shape,
        DEGREES.map((degrees) => ({ degrees, temper: 1, categorical: 1 })),
      ),
    );
    onProgress(((s + 1) / shapes.length) * 0.8);
  });
  const folds = [...dealt.rows.keys(), -1];
  const few = dealt.data.of.length < CLEAR;
  const chosen = folds.map((fold) =>
    few ? averaged(candidates, stackingWeights(loss, rowsOf(trials, fold))) : candidates[simplest({ trials, loss }, fold)],
  );
  const powers = powersOf(dealt);
  return folds.map((fold, i) => {
    const { degrees, ...shape } = chosen[i];
    const own = rowsOf(trials, fold).map((t) => trials[t]);
    const variants = powers.map((power) => ({ degrees, ...power }));
    const losses = lossesOf(dealt, own, shape, variants);
    onProgress(0.8 + (0.15 * (i + 1)) / folds.length);
    if (!few) return { ...chosen[i], ...powers[simplest({ trials: own, loss: losses }, -1)] };
    const weights = stackingWeights(losses, Array.from(own.keys()));
    return {
      ...chosen[i],
      temper: mean(powers, weights, ({ temper }) => temper),
      categorical: mean(powers, weights, ({ categorical }) => categorical),
    };
  });
}

/** From simple to rich, so that the simpler is met first. */
function shapesOf({ scales, data }: FoldedTable): Shape[] {
  if (scales.length === 0) return [{ log: false, own: 0, shrink: 1, kin: 0 }];
  const rare = data.forms.length > 2 && data.forms.some(({ n }) => n <= MANY);
  const kins = rare ? KIN : [0];
  return OWN.flatMap((own) =>
    SHRINK.flatMap((shrink) => kins.flatMap((kin) => scales.map(({ log }) => ({ log, own, shrink, kin })))),
  );
}

/**
 * One model between the candidates, each setting the mean of theirs by weight: what
 * is equally good is averaged instead of chosen by a hair. The scale is one or the
 * other, whichever has more weight; tails are averaged as 1 / ν.
 */
function averaged(
  candidates: readonly (Shape & Pick<Choice, 'degrees'>)[],
  weights: Float64Array,
): Shape & Pick<Choice, 'degrees'> {
  const logged = weights.reduce((sum, w, c) => sum + (candidates[c].log ? w : 0), 0);
  const log = logged > 0.5;
  const own = weights.map((w, c) => (candidates[c].log === log ? w : 0));
  const of = (value: (candidate: Shape & Pick<Choice, 'degrees'>) => number) => mean(candidates, own, value);
  const tails = of(({ degrees }) => (degrees === undefined ? 0 : 1 / degrees));
  return {
    log,
    own: of((candidate) => candidate.own),
    shrink: of(({ shrink }) => shrink),
    kin: of(({ kin }) => kin),
    ...(tails > 1 / 200 ? { degrees: 1 / tails } : {}),
  };
}

function mean<T>(list: readonly T[], weights: Float64Array, value: (one: T) => number): number {
  const total = weights.reduce((a, b) => a + b, 0);
  return list.reduce((sum, one, i) => sum + weights[i] * value(one), 0) / total;
}

/** Trials that speak for leaving out a fold; all of them for −1. */
const rowsOf = (trials: readonly Trial[], fold: number): number[] =>
  trials.flatMap((trial, i) => (fold < 0 || trial.fold === fold ? [i] : []));

function powersOf({ scales, data }: FoldedTable): { temper: number; categorical: number }[] {
  const temper = scales.length ? POWERS : [1];
  const categorical = data.categorical.length ? POWERS : [1];
  return temper.flatMap((t) => categorical.map((u) => ({ temper: t, categorical: u })));
}

function trialsOf({ rows, data }: FoldedTable, shapes: number): Trial[] {
  const order = data.measured.length;
  const each = shapes * data.forms.length * (order * order + 8 * order + 60);
  const pairs = rows.length * (rows.length - 1);
  const most = Math.max(12, Math.floor(BUDGET / each / pairs));
  return rows.flatMap((held, k) =>
    rows.flatMap((_, fold) => (fold === k ? [] : held.slice(0, most).map((row) => ({ fold, row })))),
  );
}

/**
 * −ln P of the true form of every trial's row, scored by a model fitted without
 * the row's own fold and without the trial's outer fold; one list a variant. A
 * pair of folds needs one model for both its directions.
 */
function lossesOf(
  dealt: FoldedTable,
  trials: readonly Trial[],
  shape: Shape,
  variants: readonly Pick<Choice, 'degrees' | 'temper' | 'categorical'>[],
): Float64Array[] {
  const out = variants.map(() => new Float64Array(trials.length));
  const foldOf = new Int32Array(dealt.data.of.length);
  dealt.rows.forEach((rows, k) => rows.forEach((row) => (foldOf[row] = k)));
  const scorers = new Map<string, ReturnType<typeof rowScorer>>();
  trials.forEach(({ fold, row }, i) => {
    const left = [fold, foldOf[row]].sort((a, b) => a - b);
    const key = left.join();
    let scorer = scorers.get(key);
    if (!scorer) scorers.set(key, (scorer = rowScorer(dealt, left, shape, variants)));
    scorer(row).forEach((p, v) => (out[v][i] = -Math.log(Math.max(p[dealt.data.of[row]], 1e-12))));
  });
  return out;
}

/** Posterior over the forms of a row, for each variant, from a model fitted without some folds. */
export function rowScorer(
  dealt: FoldedTable,
  left: readonly number[],
  shape: Shape,
  variants: readonly Pick<Choice, 'degrees' | 'temper' | 'categorical'>[],
): (row: number) => Float64Array[] {
  const { data } = dealt;
  const order = data.measured.length;
  const forms = data.forms.length;
  const scale: Scale | undefined = dealt.scales.find(({ log }) => log === shape.log) ?? dealt.scales[0];
  const scorerFor = scale && scorersOf(fitModel(sumsWithout(scale, left), order, shape, kinOf(data.forms)));
  const prior = lnFrequencies(dealt, left);
  const frequencies = data.categorical.length ? frequenciesFrom(entriesWithout(dealt, left), data) : [];
  const laws = variants.map(({ degrees }) => lawsOf(degrees));
  const distances = new Float64Array(forms);
  const density = new Float64Array(forms);
  const categorical = new Float64Array(forms);
  const out = variants.map(() => new Float64Array(forms));
  return (row) => {
    if (data.categorical.length) categoricalDensities(frequencies, data, row, categorical);
    const x = scale?.values.subarray(row * order, (row + 1) * order);
    const scorer = x && scorerFor(x);
    if (scorer && scorer.order > 0) scorer.distances(x, distances);
    variants.forEach((variant, v) => {
      if (scorer && scorer.order > 0) laws[v](scorer, distances, density);
      else density.fill(0);
      const p = out[v];
      let most = Number.NEGATIVE_INFINITY;
      for (let f = 0; f < forms; f++) {
        p[f] = prior[f] + variant.temper * density[f] + variant.categorical * categorical[f];
        if (p[f] > most) most = p[f];
      }
      let total = 0;
      for (let f = 0; f < forms; f++) total += p[f] = Math.exp(p[f] - most);
      for (let f = 0; f < forms; f++) p[f] /= total;
    });
    return out;
  };
}

/** The first candidate that is not clearly worse than the best, on the trials of one outer fold (−1: of all). */
function simplest({ trials, loss }: Losses, fold: number): number {
  const own = rowsOf(trials, fold);
  const meanOf = (list: Float64Array) => own.reduce((sum, i) => sum + list[i], 0) / own.length;
  const means = loss.map(meanOf);
  const best = means.reduce((least, m, c) => (m < means[least] ? c : least), 0);
  const good = loss.findIndex((list, c) => {
    const excess = means[c] - means[best];
    if (excess <= 0) return true;
    const variance = own.reduce((sum, i) => sum + (list[i] - loss[best][i] - excess) ** 2, 0) / own.length;
    // The rows of a pair of folds are scored several times over; they are not independent.
    return excess <= PREFER_SIMPLE * Math.sqrt(variance / Math.min(own.length, new Set(own.map((i) => trials[i].row)).size));
  });
  return good < 0 ? best : good;
}
