import { multivariateT } from '../probability';
import type { CompiledBlock, CompiledGuide, Table } from '../guide/working';
import { cholesky, logDeterminant, lowerIndex, lowerSize, solveLower, symmetric } from '../linear';
import { predictiveBits } from './readingEvidence';
import { type Evidence, OUTSIDE_WIDTH } from './model';
import type { Reading } from '../observation';

/** One value of a block as it was read, on the block's scale. */
export interface BlockValue {
  /** Place of its character in the block. */
  at: number;
  x: number;
  /** Standard error beyond what the block's own specimens were measured with. */
  error: number;
}

/** The smallest length whose logarithm is taken. */
const LEAST_LENGTH = 1e-12;

/** A reading that a block scores. */
export interface Measured {
  block: CompiledBlock;
  taken: BlockValue;
}

/**
 * Where a value seen stands in the block that scores it, on the block's scale;
 * undefined where none does. An error not given is the one its specimens were measured with.
 */
export function measuredBy(compiled: CompiledGuide, reading: Reading, given: number): Measured | undefined {
  const block = compiled.blocks.find(({ at }) => at.has(reading.character));
  if (!block) return undefined;
  const at = block.at.get(reading.character)!;
  const error = reading.error ?? 0;
  if (!block.block.log) return { block, taken: { at, x: given, error } };
  // Readings that are not above 0 are refused where lengths are compared as logarithms; nothing may hang on one.
  const value = Math.max(given, LEAST_LENGTH);
  return { block, taken: { at, x: Math.log(value), error: error / value } };
}

/**
 * log2 of the joint density of some of a block's values, for every form: a
 * multivariate t (or normal) about the form's mean, with the covariance within
 * forms, widened by each reading's error and by what the form's mean itself is
 * uncertain by (1 + 1/n). Forms that were not measured get the predictive of the
 * others; what is not in the guide gets a broad one.
 */
export function jointColumn(compiled: CompiledGuide, measured: CompiledBlock, taken: readonly BlockValue[]): Evidence {
  const { block, rows, rowOf } = measured;
  const { base } = compiled;
  const law = lawOf(block.degrees, taken.length);
  const shared = covarianceOf(block.covariance, taken);
  const sharedFactor = factorOf(shared, taken.length);
  const ofRow = rows.map((form) => {
    const factor = form.covariance ? factorOf(covarianceOf(form.covariance, taken), taken.length) : sharedFactor;
    const gap = Float64Array.from(taken, ({ at, x }) => x - form.mean[at]);
    return block.temper * law(factor, gap, 1 + 1 / form.n) * Math.LOG2E;
  });
  const bits = Float64Array.from(rowOf, (row) => (row < 0 ? 0 : ofRow[row]));
  fillUnmeasured(bits, rowOf, base);
  return { bits, outside: outsideBits(measured, base, taken, law, shared) };
}

type Law = (factor: Float64Array, gap: Float64Array, widen: number) => number;

/** ln density at a gap from the mean, for a covariance given by its factor and widened by a number. */
function lawOf(degrees: number | undefined, order: number): Law {
  const density = multivariateT(degrees, order);
  const z = new Float64Array(order);
  return (factor, gap, widen) => {
    solveLower(factor, gap, z);
    let distance = 0;
    for (let i = 0; i < order; i++) distance += z[i] * z[i];
    return density(distance / widen, logDeterminant(factor, order) + order * Math.log(widen));
  };
}

/** The part of a covariance that was read, with the readings' own errors on its diagonal. */
export function covarianceOf(lower: ArrayLike<number>, taken: readonly BlockValue[]): Float64Array {
  const out = new Float64Array(lowerSize(taken.length));
  taken.forEach(({ at, error }, i) => {
    for (let j = 0; j <= i; j++) out[lowerIndex(i, j)] = symmetric(lower, at, taken[j].at);
    out[lowerIndex(i, i)] += error * error;
  });
  return out;
}

/** Times the diagonal is raised before a matrix is given up on. */
const RAISES = 12;

/**
 * The factor, with the diagonal raised a little where rounding made the matrix
 * indefinite. Guides whose covariance is not positive definite are refused when
 * they are read; of one that came in all the same, only the diagonal is used.
 */
export function factorOf(lower: Float64Array, order: number): Float64Array {
  let raised = lower;
  for (let raise = 0, by = 1e-9; raise < RAISES; raise++, by *= 10) {
    const factor = cholesky(raised, order);
    if (factor) return factor;
    raised = lower.slice();
    for (let i = 0; i < order; i++) raised[lowerIndex(i, i)] = raised[lowerIndex(i, i)] * (1 + by) + by * 1e-12;
  }
  const diagonal = new Float64Array(lowerSize(order));
  for (let i = 0; i < order; i++) diagonal[lowerIndex(i, i)] = Math.sqrt(Math.max(Math.abs(lower[lowerIndex(i, i)]), 1e-12));
  return diagonal;
}

function fillUnmeasured(bits: Float64Array, rowOf: Int32Array, base: Float64Array): void {
  const measured = Uint8Array.from(rowOf, (row) => (row < 0 ? 0 : 1));
  const fill = predictiveBits(bits, base, measured);
  measured.forEach((is, f) => is === 0 && (bits[f] = fill));
}

/**
 * What a character of a block may still be, given the block's values read so far:
 * the mean and spread of each form are conditional on them, so that a length that
 * says nothing alone is known for what it adds to another.
 */
export function tableGiven(compiled: CompiledGuide, weighed: readonly { measured?: Measured }[], character: string): Table {
  const table = compiled.tables.get(character)!;
  const measured = compiled.blocks.find(({ at }) => at.has(character));
  if (!measured || table.type !== 'values') return table;
  const own = measured.at.get(character)!;
  const taken = weighed.flatMap((one) =>
    one.measured?.block === measured && one.measured.taken.at !== own ? [one.measured.taken] : [],
  );
  if (taken.length === 0) return table;
  const [mean, sd] = [table.mean.slice(), table.sd.slice()];
  measured.rowOf.forEach((row, f) => {
    if (row < 0) return;
    const form = measured.rows[row];
    const covariance = form.covariance ?? measured.block.covariance;
    const factor = factorOf(covarianceOf(covariance, taken), taken.length);
    const shared = solveLower(
      factor,
      Float64Array.from(taken, ({ at }) => symmetric(covariance, own, at)),
      new Float64Array(taken.length),
    );
    const gap = solveLower(
      factor,
      Float64Array.from(taken, ({ at, x }) => x - form.mean[at]),
      new Float64Array(taken.length),
    );
    const whole = symmetric(covariance, own, own);
    mean[f] = form.mean[own] + shared.reduce((sum, s, i) => sum + s * gap[i], 0);
    sd[f] = Math.sqrt(Math.max(whole - shared.reduce((sum, s) => sum + s * s, 0), 1e-9 * whole));
  });
  return { ...table, mean, sd };
}

/** {@link tableGiven} for many characters, each made once. */
export function tablesGiven(compiled: CompiledGuide, weighed: readonly { measured?: Measured }[]): (character: string) => Table {
  const made = new Map<string, Table>();
  return (character) => {
    const table = made.get(character) ?? tableGiven(compiled, weighed, character);
    made.set(character, table);
    return table;
  };
}

/** What is not in the guide: about the middle of all forms, within and between them, and wider still. */
function outsideBits(
  { block, rows, rowOf }: CompiledBlock,
  base: Float64Array,
  taken: readonly BlockValue[],
  law: Law,
  shared: Float64Array,
): number {
  const weights = new Float64Array(rows.length);
  rowOf.forEach((row, f) => row >= 0 && (weights[row] += base[f]));
  const total = weights.reduce((a, b) => a + b, 0) || 1;
  const centre = taken.map(({ at }) => rows.reduce((sum, form, row) => sum + (weights[row] / total) * form.mean[at], 0));
  const spread = shared.slice();
  rows.forEach((form, row) => {
    taken.forEach(({ at }, i) => {
      for (let j = 0; j <= i; j++) {
        spread[lowerIndex(i, j)] += (weights[row] / total) * (form.mean[at] - centre[i]) * (form.mean[taken[j].at] - centre[j]);
      }
    });
  });
  const gap = Float64Array.from(taken, ({ x }, i) => x - centre[i]);
  return block.temper * law(factorOf(spread, taken.length), gap, OUTSIDE_WIDTH ** 2) * Math.LOG2E;
}

/**
 * Share the joint evidence of a block's readings among them, so that the parts
 * add up to it whatever the order: each gets the mean of what it says alone and
 * what it adds to all the others (for two readings the Shapley value, 1953), and
 * the rest is shared alike. Several looks at one character count as their mean.
 *
 * @returns one column a reading, in the order given.
 */
export function blockParts(compiled: CompiledGuide, measured: CompiledBlock, each: readonly BlockValue[]): Evidence[] {
  const looks = new Map<number, number[]>();
  each.forEach(({ at }, i) => looks.set(at, [...(looks.get(at) ?? []), i]));
  const groups = [...looks.values()];
  const taken = groups.map((group) => meanOf(group.map((i) => each[i])));
  const all = jointColumn(compiled, measured, taken);
  const own = taken.map((one, g) => {
    const others = taken.filter((_, h) => h !== g);
    if (others.length === 0) return all;
    return combined([jointColumn(compiled, measured, [one]), all, jointColumn(compiled, measured, others)], [0.5, 0.5, -0.5]);
  });
  const rest = combined([all, ...own], [1, ...own.map(() => -1)]);
  const out: Evidence[] = new Array(each.length);
  groups.forEach((group, g) => {
    const share = 1 / group.length;
    const column = combined([own[g], rest], [share, share / groups.length]);
    for (const i of group) out[i] = column;
  });
  return out;
}

function meanOf(looks: readonly BlockValue[]): BlockValue {
  const n = looks.length;
  return {
    at: looks[0].at,
    x: looks.reduce((sum, { x }) => sum + x, 0) / n,
    error: Math.sqrt(looks.reduce((sum, { error }) => sum + error ** 2, 0)) / n,
  };
}

/** A weighted sum of columns. */
function combined(columns: readonly Evidence[], weights: readonly number[]): Evidence {
  const bits = new Float64Array(columns[0].bits.length);
  columns.forEach((column, c) => {
    for (let f = 0; f < bits.length; f++) bits[f] += weights[c] * column.bits[f];
  });
  return { bits, outside: columns.reduce((sum, column, c) => sum + weights[c] * column.outside, 0) };
}
