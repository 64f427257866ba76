import type { Ratio } from '../guide/working';
import { lowerSize, symmetric } from '../linear';
import type { Dealt, Scale } from './folds';
import { addScatter, meansOf, plus, type Sums } from './sums';

/** Ratios tried by cross-validation for each pair of groups, out of all that there are. */
const TRIED = 3;

/** Two groups of forms to be told apart by one ratio. */
interface Pair {
  a: { name: string; forms: number[] };
  b: { name: string; forms: number[] };
}

/**
 * For every two groups, the ratio of two measured columns that separates them
 * best, with its cut and cross-validated error (after Baur & Leuenberger 2011).
 * Ratios are first ranked by the distance of their logarithms' means in pooled
 * standard deviations, which follows from the sums alone; the best few are then
 * cut fold by fold.
 */
export function ratiosOf(dealt: Dealt, idOf: (column: string) => string): Ratio[] {
  const scale = dealt.scales.find(({ log }) => log);
  const { measured } = dealt.data;
  if (!scale || measured.length < 2) return [];
  const byForm = rowsByForm(dealt);
  return pairsOf(dealt).flatMap((pair) => {
    const tried = best(scale, pair, measured.length).map(([i, j]) => cutOf(dealt, byForm, pair, i, j));
    const found = tried.sort((x, y) => x.error - y.error)[0];
    if (!found) return [];
    const [numerator, denominator] = [measured[found.i], measured[found.j]];
    const above = found.aAbove ? pair.a.name : pair.b.name;
    const wrong = Math.round(found.error * 100);
    return [
      {
        a: pair.a.name,
        b: pair.b.name,
        numerator: idOf(numerator),
        denominator: idOf(denominator),
        cut: found.cut,
        above,
        error: found.error,
        text: `${numerator} ÷ ${denominator} above ${sayCut(found.cut)}: ${above}, wrong in ${wrong < 1 ? 'under 1' : wrong} of 100.`,
      },
    ];
  });
}

const sayCut = (cut: number) => String(Number(cut.toPrecision(3)));

/** Every two taxa; within a taxon, every two of its forms. */
function pairsOf({ data }: Dealt): Pair[] {
  const taxa = new Map<string, number[]>();
  data.forms.forEach(({ labels }, f) => {
    const taxon = labels.taxon ?? '';
    taxa.set(taxon, [...(taxa.get(taxon) ?? []), f]);
  });
  const groups = [...taxa].map(([name, forms]) => ({ name, forms }));
  const within = groups.flatMap(({ forms }) => twos(forms.map((f) => ({ name: data.forms[f].name, forms: [f] }))));
  return [...twos(groups), ...within];
}

const twos = (groups: Pair['a'][]): Pair[] => groups.flatMap((a, i) => groups.slice(i + 1).map((b) => ({ a, b })));

function best(scale: Scale, pair: Pair, order: number): [number, number][] {
  const sums = [pair.a, pair.b].map(({ forms }) => forms.map((f) => scale.total[f]).reduce((x, y) => plus(x, y, 1)));
  const zero = new Float64Array(order);
  const [ma, mb] = sums.map((group) => meansOf(group, zero));
  const covariance = within(sums, order);
  const ranked: { i: number; j: number; d: number }[] = [];
  for (let i = 0; i < order; i++) {
    for (let j = 0; j < i; j++) {
      const variance = symmetric(covariance, i, i) + symmetric(covariance, j, j) - 2 * symmetric(covariance, i, j);
      const gap = ma[i] - ma[j] - (mb[i] - mb[j]);
      if (variance > 0) ranked.push({ i, j, d: Math.abs(gap) / Math.sqrt(variance) });
    }
  }
  return ranked
    .sort((x, y) => y.d - x.d)
    .slice(0, TRIED)
    .map(({ i, j }) => [i, j]);
}

function within(groups: readonly Sums[], order: number): Float64Array {
  const scatter = new Float64Array(lowerSize(order));
  const freedom = new Float64Array(lowerSize(order));
  for (const sums of groups) addScatter(sums, order, scatter, freedom);
  return scatter.map((s, at) => (freedom[at] > 0 ? s / freedom[at] : 0));
}

interface Cut {
  i: number;
  j: number;
  cut: number;
  aAbove: boolean;
  /** Mean of the two groups' shares of mistakes. */
  error: number;
}

/** One group's ratios in rising order, each with its fold. */
interface Sorted {
  ratio: Float64Array;
  fold: Int32Array;
}

/** Rows of every form, each with its fold. */
type ByForm = { row: number; fold: number }[][];

function rowsByForm({ data, rows }: Dealt): ByForm {
  const byForm: ByForm = data.forms.map(() => []);
  rows.forEach((held, fold) => held.forEach((row) => byForm[data.of[row]].push({ row, fold })));
  return byForm;
}

function cutOf({ data, rows }: Dealt, byForm: ByForm, pair: Pair, i: number, j: number): Cut {
  const order = data.measured.length;
  const [a, b] = [pair.a, pair.b].map(({ forms }): Sorted => {
    const all: { x: number; fold: number }[] = [];
    for (const form of forms) {
      for (const { row, fold } of byForm[form]) {
        const x = data.values[row * order + i] / data.values[row * order + j];
        if (Number.isFinite(x)) all.push({ x, fold });
      }
    }
    all.sort((p, q) => p.x - q.x);
    return { ratio: Float64Array.from(all, ({ x }) => x), fold: Int32Array.from(all, ({ fold }) => fold) };
  });
  const without = ({ ratio, fold }: Sorted, k: number) => ratio.filter((_, n) => fold[n] !== k);
  const mistaken = ({ ratio, fold }: Sorted, k: number, cut: number, above: boolean) => {
    let n = 0;
    for (let r = 0; r < ratio.length; r++) if (fold[r] === k && ratio[r] > cut !== above) n++;
    return n;
  };
  const wrong = [0, 0];
  rows.forEach((_, k) => {
    const { cut, aAbove } = bestCut(without(a, k), without(b, k));
    wrong[0] += mistaken(a, k, cut, aAbove);
    wrong[1] += mistaken(b, k, cut, !aAbove);
  });
  const error = (wrong[0] / (a.ratio.length || 1) + wrong[1] / (b.ratio.length || 1)) / 2;
  return { i, j, ...bestCut(a.ratio, b.ratio), error };
}

/** The cut of two sorted lists that mistakes fewest, both groups counting alike. */
function bestCut(a: Float64Array, b: Float64Array): { cut: number; aAbove: boolean } {
  let [i, j] = [0, 0];
  let found = { cut: 0, aAbove: true, error: Number.POSITIVE_INFINITY };
  while (i < a.length || j < b.length) {
    const x = i < a.length && (j >= b.length || a[i] <= b[j]) ? a[i++] : b[j++];
    const next = Math.min(i < a.length ? a[i] : Number.POSITIVE_INFINITY, j < b.length ? b[j] : Number.POSITIVE_INFINITY);
    const below = i / (a.length || 1) + (b.length - j) / (b.length || 1);
    const error = Math.min(below, 2 - below);
    if (error < found.error && Number.isFinite(next)) found = { cut: (x + next) / 2, aAbove: below <= 1, error };
  }
  return { cut: found.cut, aAbove: found.aAbove };
}
