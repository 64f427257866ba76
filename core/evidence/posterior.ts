import { type CompiledGuide, priorBits, type PriorSetting } from '../guide/working';
import { blockParts, type Measured, measuredBy } from './block';
import { type Said, temper } from './clusters';
import { evidenceOf, withDoubt } from './readingEvidence';
import { type Evidence } from './model';
import { byEye, type Reading, valueOf } from '../observation';

/** A reading that is evidence, with its place in the list given. */
export interface Weighed {
  index: number;
  reading: Reading;
  /** Its value and standard error in the character's unit, where it is a number. */
  value?: { value: number; error: number };
  /** The block it was measured in, and where it stands there. */
  measured?: Measured;
  /** What it says of every form by itself; of a measured block, its part of what the block says. */
  column: Evidence;
  /** What of that counts beside the other readings of its group: the columns that add up to the standing. */
  counted: Evidence;
}

/** The probabilities over forms. */
export interface Posterior {
  /** P(form | readings); with `outside` they sum to 1. */
  p: Float64Array;
  /** P(not in the guide | readings). */
  outside: number;
  /** Unnormalised log2 posterior. */
  bits: Float64Array;
  outsideBits: number;
}

/** The probabilities over forms, and what they were made of: prior + Σ counted. */
export interface WeighedPosterior extends Posterior {
  prior: { forms: Float64Array; outside: number };
  weighed: Weighed[];
  /** Does any reading depend on another, so that none can change by itself? */
  dependent: boolean;
}

/** A reading with its column, before it is weighed beside others. */
type UnweighedReading = Omit<Weighed, 'counted'>;

/** Weigh readings: log P(f | r) = log π(f) + Σ of what each counts, then softmax. */
export function posteriorOf(compiled: CompiledGuide, setting: PriorSetting, readings: readonly Reading[]): WeighedPosterior {
  return fromPrior(compiled, priorBits(compiled, setting), readings);
}

/** As {@link posteriorOf}, on a prior already at hand. */
export const fromPrior = (
  compiled: CompiledGuide,
  prior: { forms: Float64Array; outside: number },
  readings: readonly Reading[],
): WeighedPosterior => weigh(compiled, prior, evidenceIn(compiled, readings));

/** The one place where readings come in: what each says alone, its number, and its place in a block. */
const evidenceIn = (compiled: CompiledGuide, readings: readonly Reading[]): UnweighedReading[] =>
  readings.flatMap((reading, index) => evidenceAt(compiled, reading, index) ?? []);

function evidenceAt(compiled: CompiledGuide, reading: Reading, index: number): UnweighedReading | undefined {
  const column = evidenceOf(compiled, reading);
  if (!column) return undefined;
  const seen = (reading.status ?? 'seen') === 'seen';
  const { character } = compiled.tables.get(reading.character)!;
  const value = seen ? valueOf(character, reading) : undefined;
  // A block has its specimens' error where none is given; an eye has its own.
  const given = byEye(character, reading) ? { ...reading, error: value?.error } : reading;
  const measured = value && measuredBy(compiled, given, value.value);
  return { index, reading, column, ...(value ? { value } : {}), ...(measured ? { measured } : {}) };
}

function weigh(
  compiled: CompiledGuide,
  prior: { forms: Float64Array; outside: number },
  heard: readonly UnweighedReading[],
): WeighedPosterior {
  const inOrder = heard.length > 1 ? [...heard].sort((a, b) => compare(a.reading, b.reading)) : heard;
  const said = withBlocks(compiled, inOrder);
  const { columns, reference } = temper(compiled.guide, prior, said);
  const bits = prior.forms.slice();
  let outsideBits = prior.outside;
  addColumns(bits, columns);
  for (const { outside } of columns) outsideBits += outside;
  const weighed = inOrder.map((heard, i): Weighed => ({ ...heard, column: said[i].column, counted: columns[i] }));
  weighed.sort((a, b) => a.index - b.index);
  const dependent = reference >= 0 || said.some(({ block }) => block !== undefined);
  return { ...softmax(bits, outsideBits), prior, weighed, dependent };
}

/** One order for the same readings, however they were given: sums then agree to the last digit. */
function compare(a: Reading, b: Reading): number {
  if (a.character !== b.character) return a.character < b.character ? -1 : 1;
  const [x, y] = [a, b].map(({ states, value, parts, comparison, certainty, status }) =>
    JSON.stringify([states && [...states].sort(), value, parts, comparison, certainty, status]),
  );
  return x < y ? -1 : x > y ? 1 : 0;
}

/** Readings of one measured block are scored together, and each is given its part. */
function withBlocks(compiled: CompiledGuide, heard: readonly UnweighedReading[]): Said[] {
  const out: Said[] = heard.map(({ reading, column }) => ({ reading, column }));
  for (const measured of compiled.blocks) {
    const members = heard.flatMap((one, i) => (one.measured?.block === measured ? [i] : []));
    if (members.length === 0) continue;
    const parts = blockParts(
      compiled,
      measured,
      members.map((i) => heard[i].measured!.taken),
    );
    members.forEach((i, k) => {
      const { reading } = heard[i];
      const column = withDoubt(parts[k], reading.certainty ?? 'sure', compiled.base);
      out[i] = { reading, column, block: measured.block.id };
    });
  }
  return out;
}

/** Four columns at a time: the sums are then read and written a quarter as often. */
function addColumns(into: Float64Array, columns: readonly Evidence[]): void {
  let i = 0;
  for (; i + 4 <= columns.length; i += 4) {
    const [a, b, c, d] = [0, 1, 2, 3].map((k) => columns[i + k].bits);
    for (let f = 0; f < into.length; f++) into[f] += a[f] + b[f] + c[f] + d[f];
  }
  for (; i < columns.length; i++) {
    const { bits } = columns[i];
    for (let f = 0; f < into.length; f++) into[f] += bits[f];
  }
}

/** Forms this many bits behind the leader hold less than 1e-24 and are given 0. */
const NEGLIGIBLE = -80;

/** From unnormalised log2 weights to probabilities. */
export function softmax(bits: Float64Array, outsideBits: number): Posterior {
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
  return { p, outside: rest / total, bits, outsideBits };
}

/** What a reading would have said instead, by its place in the readings given. */
export interface Swap {
  index: number;
  by: Evidence;
}

/** The standing if some readings had said something else: weighed anew, with all that follows for the others. */
export function saidInstead(compiled: CompiledGuide, full: WeighedPosterior, swaps: readonly Swap[]): Posterior {
  const by = new Map(swaps.map((swap) => [swap.index, swap.by]));
  if (!full.dependent) {
    const gone = full.weighed.filter(({ index }) => by.has(index));
    return changed(
      full,
      gone.map(({ column }) => column),
      swaps.map((swap) => swap.by),
    );
  }
  return weigh(
    compiled,
    full.prior,
    unweighed(compiled, full).map((heard) => ({ ...heard, column: by.get(heard.index) ?? heard.column })),
  );
}

/** The same readings on another prior. */
export const onPrior = (
  compiled: CompiledGuide,
  full: WeighedPosterior,
  prior: { forms: Float64Array; outside: number },
): WeighedPosterior => weigh(compiled, prior, unweighed(compiled, full));

/** The standing with one more reading. */
export function withReading(compiled: CompiledGuide, full: WeighedPosterior, reading: Reading): WeighedPosterior {
  const index = full.weighed.reduce((most, one) => Math.max(most, one.index), -1) + 1;
  const heard = evidenceAt(compiled, reading, index);
  return heard ? weigh(compiled, full.prior, [...unweighed(compiled, full), heard]) : full;
}

/**
 * The standing without one reading; what it shared its group with then counts for more.
 *
 * @param place position in `weighed`.
 */
export function withoutReading(compiled: CompiledGuide, full: WeighedPosterior, place: number): Posterior {
  if (!full.dependent) return changed(full, [full.weighed[place].column], []);
  const left = unweighed(compiled, full).filter((_, i) => i !== place);
  return weigh(compiled, full.prior, left);
}

/** Readings that depend on nothing come and go by themselves. */
function changed(full: WeighedPosterior, gone: readonly Evidence[], come: readonly Evidence[]): Posterior {
  const bits = full.bits.slice();
  let { outsideBits } = full;
  for (const [columns, sign] of [
    [gone, -1],
    [come, 1],
  ] as const) {
    for (const column of columns) {
      for (let f = 0; f < bits.length; f++) bits[f] += sign * column.bits[f];
      outsideBits += sign * column.outside;
    }
  }
  return softmax(bits, outsideBits);
}

const unweighed = (compiled: CompiledGuide, full: WeighedPosterior): UnweighedReading[] =>
  full.weighed.map((one) => (one.measured ? { ...one, column: evidenceOf(compiled, one.reading)! } : one));

/** The standing without each weighed reading, in their order. */
export const leaveOneOut = (compiled: CompiledGuide, full: WeighedPosterior): Posterior[] =>
  full.weighed.map((_, i) => withoutReading(compiled, full, i));
