import { multivariateT } from '../probability';
import type { CompiledBlock, CompiledGuide, Table } from '../guide/working';
import { solveLower, symmetric } from '../linear';
import { type BlockPattern, covarianceOf, type Factored, factorOf, patternOf, type ReadPlace } from './blockPattern';
import { predictiveBits } from './readingEvidence';
import { type Evidence, OUTSIDE_WIDTH } from './model';
import type { Reading } from '../observation';

/** One value of a block as it was read, on the block's scale. */
export interface BlockValue extends ReadPlace {
  x: number;
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
  const law = lawOf(block.degrees, taken.length);
  const pattern = patternOf(compiled, measured, taken);
  const ofRow = rows.map((_, row) => bitsOfRow(measured, pattern, law, taken, row));
  const bits = Float64Array.from(rowOf, (row) => (row < 0 ? 0 : ofRow[row]));
  fillUnmeasured(bits, rowOf, compiled.base);
  const { centre, spread } = pattern.middle;
  const gap = Float64Array.from(taken, ({ x }, i) => x - centre[i]);
  return { bits, outside: block.temper * law(spread, gap, OUTSIDE_WIDTH ** 2) * Math.LOG2E };
}

/** {@link jointColumn} of one measured form, again and again for the same characters read with the same errors. */
export function jointBitsOf(
  compiled: CompiledGuide,
  measured: CompiledBlock,
  read: readonly BlockValue[],
  row: number,
): (taken: readonly BlockValue[]) => number {
  const law = lawOf(measured.block.degrees, read.length);
  const pattern = patternOf(compiled, measured, read);
  return (taken) => bitsOfRow(measured, pattern, law, taken, row);
}

function bitsOfRow(
  { block, rows }: CompiledBlock,
  pattern: BlockPattern,
  law: Law,
  taken: readonly BlockValue[],
  row: number,
): number {
  const { mean, n } = rows[row];
  const gap = new Float64Array(taken.length);
  for (let i = 0; i < gap.length; i++) gap[i] = taken[i].x - mean[taken[i].at];
  return block.temper * law(pattern.rows[row], gap, 1 + 1 / n) * Math.LOG2E;
}

type Law = (factored: Factored, gap: Float64Array, widen: number) => number;

/** ln density at a gap from the mean, for a covariance given by its factor and widened by a number. */
function lawOf(degrees: number | undefined, order: number): Law {
  const density = multivariateT(degrees, order);
  const z = new Float64Array(order);
  return ({ lower, lnDeterminant }, gap, widen) => {
    solveLower(lower, gap, z);
    let distance = 0;
    for (let i = 0; i < order; i++) distance += z[i] * z[i];
    return density(distance / widen, lnDeterminant + order * Math.log(widen));
  };
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
