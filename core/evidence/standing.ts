import { type CompiledGuide, priorBits, type PriorSetting } from '../guide/working';
import { blockParts, combined, isMeasured } from './block';
import { type Column, columnOf, withDoubt } from './column';
import type { Reading } from './reading';
import { dependenceWeights } from './weights';

/** A reading that is evidence, with its place in the list given, its column and its tempering. */
export interface Weighed {
  index: number;
  reading: Reading;
  column: Column;
  weight: number;
  /** What goes when it is left out, where that is not its column: readings of a measured block speak together. */
  loss?: Column;
}

/** The probabilities over forms, and what they were made of. */
export interface Standing {
  /** P(form | readings); with `outside` they sum to 1. */
  p: Float64Array;
  /** P(not in the guide | readings). */
  outside: number;
  /** Unnormalised log2 posterior. */
  bits: Float64Array;
  outsideBits: number;
  prior: { forms: Float64Array; outside: number };
  weighed: Weighed[];
}

/** Weigh readings: log P(f | r) = log π(f) + Σ w · log L, then softmax. */
export function standing(compiled: CompiledGuide, setting: PriorSetting, readings: readonly Reading[]): Standing {
  return fromPrior(compiled, priorBits(compiled, setting), readings);
}

/** As {@link standing}, on a prior already at hand. */
export function fromPrior(
  compiled: CompiledGuide,
  prior: { forms: Float64Array; outside: number },
  readings: readonly Reading[],
): Standing {
  const heard = withBlocks(
    compiled,
    readings.flatMap((reading, index) => {
      const column = columnOf(compiled, reading);
      return column ? [{ index, reading, column }] : [];
    }),
  );
  const weights = dependenceWeights(
    compiled.guide,
    heard.map((h) => h.reading),
  );
  const weighed = heard.map((h, i) => ({ ...h, weight: weights[i] }));
  const bits = prior.forms.slice();
  let outsideBits = prior.outside;
  addColumns(bits, weighed);
  for (const { column, weight } of weighed) outsideBits += weight * column.outside;
  return { ...softmax(bits, outsideBits), bits, outsideBits, prior, weighed };
}

type Heard = Omit<Weighed, 'weight'>;

/** Readings of one measured block are scored together, and each is given its part. */
function withBlocks(compiled: CompiledGuide, heard: Heard[]): Heard[] {
  const out = heard.slice();
  for (const measured of compiled.blocks) {
    const members = heard.flatMap(({ reading }, i) => (isMeasured(measured, reading) ? [i] : []));
    if (members.length === 0) continue;
    const parts = blockParts(
      compiled,
      measured,
      members.map((i) => heard[i].reading),
    );
    members.forEach((i, k) => {
      const { column, loss } = parts[k];
      const said = withDoubt(column, heard[i].reading.certainty ?? 'sure', compiled.base);
      out[i] = { ...heard[i], column: said, loss: combined([said, column, loss], [1, -1, 1]) };
    });
  }
  return out;
}

/** Four columns at a time: the sums are then read and written a quarter as often. */
function addColumns(into: Float64Array, weighed: readonly Weighed[]): void {
  let i = 0;
  for (; i + 4 <= weighed.length; i += 4) {
    const [a, b, c, d] = [0, 1, 2, 3].map((k) => weighed[i + k].column.bits);
    const [wa, wb, wc, wd] = [0, 1, 2, 3].map((k) => weighed[i + k].weight);
    for (let f = 0; f < into.length; f++) into[f] += wa * a[f] + wb * b[f] + wc * c[f] + wd * d[f];
  }
  for (; i < weighed.length; i++) addColumn(into, weighed[i].column.bits, weighed[i].weight);
}

function addColumn(into: Float64Array, column: Float64Array, weight: number): void {
  for (let f = 0; f < into.length; f++) into[f] += weight * column[f];
}

/** Forms this many bits behind the leader hold less than 1e-24 and are given 0. */
const NEGLIGIBLE = -80;

/** From unnormalised log2 weights to probabilities. */
export function softmax(bits: Float64Array, outsideBits: number): { p: Float64Array; outside: number } {
  let most = outsideBits;
  for (let f = 0; f < bits.length; f++) if (bits[f] > most) most = bits[f];
  const p = new Float64Array(bits.length);
  let total = Math.exp((outsideBits - most) * Math.LN2);
  const rest = total;
  for (let f = 0; f < bits.length; f++) {
    const behind = bits[f] - most;
    if (behind < NEGLIGIBLE) continue;
    p[f] = Math.exp(behind * Math.LN2);
    total += p[f];
  }
  for (let f = 0; f < p.length; f++) p[f] /= total;
  return { p, outside: rest / total };
}

/** The standing with other columns in place of what some readings say, at the weight those had. */
export function saidInstead(
  full: Standing,
  swaps: readonly { one: Weighed; by: Column }[],
): { p: Float64Array; outside: number } {
  const bits = full.bits.slice();
  let outsideBits = full.outsideBits;
  for (const { one, by } of swaps) {
    const { column, weight } = one;
    for (let f = 0; f < bits.length; f++) bits[f] += weight * (by.bits[f] - column.bits[f]);
    outsideBits += weight * (by.outside - column.outside);
  }
  return softmax(bits, outsideBits);
}

/**
 * The standing without one reading; what it shared its group with then counts for more.
 *
 * @param index position in `weighed`.
 */
export function withoutReading(compiled: CompiledGuide, full: Standing, index: number): { p: Float64Array; outside: number } {
  const left = full.weighed.filter((_, i) => i !== index);
  const weights = dependenceWeights(
    compiled.guide,
    left.map((w) => w.reading),
  );
  const bits = full.bits.slice();
  const gone = full.weighed[index];
  const loss = gone.loss ?? gone.column;
  addColumn(bits, loss.bits, -gone.weight);
  let outsideBits = full.outsideBits - gone.weight * loss.outside;
  left.forEach((other, i) => {
    const change = weights[i] - other.weight;
    if (change === 0) return;
    addColumn(bits, other.column.bits, change);
    outsideBits += change * other.column.outside;
  });
  return softmax(bits, outsideBits);
}

/** The standing without each weighed reading, in their order. */
export const leaveOneOut = (compiled: CompiledGuide, full: Standing): { p: Float64Array; outside: number }[] =>
  full.weighed.map((_, i) => withoutReading(compiled, full, i));
