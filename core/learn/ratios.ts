import { seeded, wilson } from '../probability';
import type { Ratio } from '../guide/working';
import { lowerSize, symmetric } from '../linear';
import type { FoldedTable, Scale } from './folds';
import { addRow, addScatter, meansOf, noStatistics, plus, type PairStatistics } from './pairStatistics';

/** Ratios that are cut, out of all that there are, wherever one is chosen. */
const TRIED = 3;
/** Two groups of up to so many specimens are also held against shuffled labels. */
const SMALL = 80;
/** Shuffles of one pair, and of all pairs of a table together. */
const SHUFFLES = 99;
const ALL_SHUFFLES = 3000;
/** A ratio that shuffled labels match more often than this is not shown to be better than chance. */
const BY_CHANCE = 0.05;

/** Two groups of forms to be categorical apart by one ratio. */
interface Pair {
  a: { name: string; forms: number[] };
  b: { name: string; forms: number[] };
}

/**
 * For every two groups, the ratio of two measured columns that separates them
 * best, with its cut (after Baur & Leuenberger 2011). Ratios are ranked by the
 * distance of their logarithms' means in pooled standard deviations; the best few
 * are cut where fewest are mistaken, and the best of these is kept. The error is
 * that of the whole procedure on specimens it has not seen: ranking, choice and cut
 * are made anew without each fold (nested: Varma & Simon 2006). Its interval is
 * Wilson's (1927). Where specimens are few, the labels are shuffled too, to see how
 * often chance alone does as well.
 */
export function ratiosOf(dealt: FoldedTable, idOf: (column: string) => string): Ratio[] {
  const scale = dealt.scales.find(({ log }) => log);
  const { measured } = dealt.data;
  if (!scale || measured.length < 2) return [];
  const byForm = rowsByForm(dealt);
  const pairs = pairsOf(dealt);
  const shuffles = Math.min(SHUFFLES, Math.floor(ALL_SHUFFLES / pairs.length));
  return pairs.flatMap((pair): Ratio[] => {
    const rows = [pair.a, pair.b].map(({ forms }) => forms.flatMap((f) => byForm[f]));
    const ratio = ratioFinder(dealt, scale, rows[0], rows[1]);
    const found = ratio.choose(-1);
    if (!found) return [];
    const error = ratio.error();
    const n = [rows[0].length, rows[1].length];
    // Both groups count alike: the size of one sample with the same variance.
    const interval = wilson(error, 4 / (1 / n[0] + 1 / n[1]));
    const chance = n[0] + n[1] <= SMALL && shuffles >= 19 ? byChance(dealt, scale, rows, error, shuffles) : undefined;
    const [numerator, denominator] = [measured[found.i], measured[found.j]];
    const above = found.aAbove ? pair.a.name : pair.b.name;
    const shown = (chance ?? 0) <= BY_CHANCE && interval.high < 0.5;
    const [wrong, least, most] = [error, interval.low, interval.high].map((share) => Math.round(share * 100));
    const doubt = shown ? '' : '; that is not shown to be better than chance';
    return [
      {
        a: pair.a.name,
        b: pair.b.name,
        numerator: idOf(numerator),
        denominator: idOf(denominator),
        cut: found.cut,
        above,
        error,
        interval: [interval.low, interval.high],
        ...(chance === undefined ? {} : { byChance: chance }),
        shown,
        text: `${numerator} ÷ ${denominator} above ${sayCut(found.cut)}: ${above}, wrong in ${wrong < 1 ? 'under 1' : wrong} of 100 (${least} to ${most})${doubt}.`,
      },
    ];
  });
}

/** The share of shuffled labels that give an error as low, the table's own among them. */
function byChance(dealt: FoldedTable, scale: Scale, rows: readonly Placed[][], error: number, shuffles: number): number {
  const all = rows.flat();
  const random = seeded(`shuffled ${all.length} ${error}`);
  let asGood = 1;
  for (let s = 0; s < shuffles; s++) {
    // Shuffled within folds, so that each fold keeps its numbers of both.
    const labels = all.map(({ fold }, i) => ({ fold, first: i < rows[0].length, key: random() }));
    const inFold = new Map<number, number>();
    for (const { fold, first } of labels) if (first) inFold.set(fold, (inFold.get(fold) ?? 0) + 1);
    const order = labels.map((_, i) => i).sort((x, y) => labels[x].key - labels[y].key);
    const groups: Placed[][] = [[], []];
    for (const i of order) {
      const left = inFold.get(all[i].fold) ?? 0;
      if (left > 0) inFold.set(all[i].fold, left - 1);
      groups[left > 0 ? 0 : 1].push(all[i]);
    }
    if (ratioFinder(dealt, scale, groups[0], groups[1]).error() <= error + 1e-12) asGood++;
  }
  return asGood / (shuffles + 1);
}

const sayCut = (cut: number) => String(Number(cut.toPrecision(3)));

/** Every two taxa; within a taxon, every two of its forms. */
function pairsOf({ data }: FoldedTable): Pair[] {
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

/** A row with the fold it is held out in. */
interface Placed {
  row: number;
  fold: number;
}

/** Rows of every form, each with its fold. */
function rowsByForm({ data, rows }: FoldedTable): Placed[][] {
  const byForm: Placed[][] = data.forms.map(() => []);
  rows.forEach((held, fold) => held.forEach((row) => byForm[data.of[row]].push({ row, fold })));
  return byForm;
}

interface Cut {
  i: number;
  j: number;
  cut: number;
  aAbove: boolean;
}

/** One group's ratios in rising order, each with its fold. */
interface Sorted {
  ratio: Float64Array;
  fold: Int32Array;
}

/** Finds the ratio of two groups without one fold (all rows for −1), and the error of finding it so. */
function ratioFinder({ data, rows }: FoldedTable, scale: Scale, a: readonly Placed[], b: readonly Placed[]) {
  const order = data.measured.length;
  const sums = [a, b].map((group) => sumsByFold(scale, group, rows.length, order));
  const sorted = new Map<string, [Sorted, Sorted]>();
  const sortedOf = (i: number, j: number): [Sorted, Sorted] => {
    const key = `${i} ${j}`;
    const known = sorted.get(key) ?? ([a, b].map((group) => sortedRatios(data.values, group, order, i, j)) as [Sorted, Sorted]);
    sorted.set(key, known);
    return known;
  };
  const choose = (left: number): Cut | undefined => {
    const groups = sums.map(({ folds, whole }) => (left < 0 ? whole : plus(whole, folds[left], -1)));
    let found: (Cut & { error: number }) | undefined;
    for (const [i, j] of ranked(groups, order)) {
      const [x, y] = sortedOf(i, j).map((one) => (left < 0 ? one.ratio : one.ratio.filter((_, n) => one.fold[n] !== left)));
      const cut = bestCut(x, y);
      if (!found || cut.error < found.error) found = { i, j, ...cut };
    }
    return found;
  };
  const error = (): number => {
    const wrong = [0, 0];
    const n = [0, 0];
    rows.forEach((_, k) => {
      const cut = choose(k);
      if (!cut) return;
      sortedOf(cut.i, cut.j).forEach(({ ratio, fold }, g) => {
        const above = g === 0 ? cut.aAbove : !cut.aAbove;
        for (let r = 0; r < ratio.length; r++) {
          if (fold[r] !== k) continue;
          n[g]++;
          if (ratio[r] > cut.cut !== above) wrong[g]++;
        }
      });
    });
    return (wrong[0] / (n[0] || 1) + wrong[1] / (n[1] || 1)) / 2;
  };
  return { choose, error };
}

function sumsByFold(
  scale: Scale,
  group: readonly Placed[],
  count: number,
  order: number,
): { folds: PairStatistics[]; whole: PairStatistics } {
  const folds = Array.from({ length: count }, () => noStatistics(order));
  for (const { row, fold } of group) addRow(folds[fold], scale.values.subarray(row * order, (row + 1) * order));
  return { folds, whole: folds.reduce((x, y) => plus(x, y, 1)) };
}

function sortedRatios(values: Float64Array, group: readonly Placed[], order: number, i: number, j: number): Sorted {
  const all = group
    .map(({ row, fold }) => ({ x: values[row * order + i] / values[row * order + j], fold }))
    .filter(({ x }) => Number.isFinite(x))
    .sort((p, q) => p.x - q.x);
  return { ratio: Float64Array.from(all, ({ x }) => x), fold: Int32Array.from(all, ({ fold }) => fold) };
}

/** The few ratios whose logarithms' means lie furthest apart, in pooled standard deviations. */
function ranked(sums: readonly PairStatistics[], order: number): [number, number][] {
  const zero = new Float64Array(order);
  const [ma, mb] = sums.map((group) => meansOf(group, zero));
  const covariance = within(sums, order);
  const all: { i: number; j: number; d: number }[] = [];
  for (let i = 0; i < order; i++) {
    for (let j = 0; j < i; j++) {
      const variance = symmetric(covariance, i, i) + symmetric(covariance, j, j) - 2 * symmetric(covariance, i, j);
      const gap = ma[i] - ma[j] - (mb[i] - mb[j]);
      if (variance > 0) all.push({ i, j, d: Math.abs(gap) / Math.sqrt(variance) });
    }
  }
  return all
    .sort((x, y) => y.d - x.d)
    .slice(0, TRIED)
    .map(({ i, j }) => [i, j]);
}

function within(groups: readonly PairStatistics[], order: number): Float64Array {
  const scatter = new Float64Array(lowerSize(order));
  const freedom = new Float64Array(lowerSize(order));
  for (const sums of groups) addScatter(sums, order, scatter, freedom);
  return scatter.map((s, at) => (freedom[at] > 0 ? s / freedom[at] : 0));
}

/** The cut of two sorted lists that mistakes fewest, both groups counting alike. */
function bestCut(a: Float64Array, b: Float64Array): { cut: number; aAbove: boolean; error: number } {
  let [i, j] = [0, 0];
  let found = { cut: 0, aAbove: true, error: Number.POSITIVE_INFINITY };
  while (i < a.length || j < b.length) {
    const x = i < a.length && (j >= b.length || a[i] <= b[j]) ? a[i++] : b[j++];
    const next = Math.min(i < a.length ? a[i] : Number.POSITIVE_INFINITY, j < b.length ? b[j] : Number.POSITIVE_INFINITY);
    const below = i / (a.length || 1) + (b.length - j) / (b.length || 1);
    const error = Math.min(below, 2 - below);
    if (error < found.error && Number.isFinite(next)) found = { cut: (x + next) / 2, aAbove: below <= 1, error };
  }
  return found;
}
