import { type Evidence, OUTSIDE_WIDTH } from './model';
import { type CompiledGuide, type StatesTable, type Table, type ValuesTable, likelihoodAt } from '../guide/working';
import { comparativeColumn } from './comparative';
import { SMALLEST, tailedDensity, tailedLogDensity } from './density';
import { type Certainty, type Reading, valueOf } from '../observation';

/** How much of the guide-wide predictive a less certain reading is mixed with. */
export const DOUBT: Record<Certainty, number> = { sure: 0, likely: 0.2, guess: 0.5 };

/** No reading brings more bits than this against anything: past it numbers would only lose their digits. */
const FLOOR = -1e6;
/** P(applies) is kept this far from 0 and 1, so that one wrong score never excludes a form. */
const LEAST_APPLIES = 1e-3;

/**
 * log2 L(r | f) of a reading for every form; undefined when it is no evidence
 * (not visible, or "does not apply" where no score speaks of that). Columns are
 * kept with the compiled guide, so that changing one reading weighs only that one.
 */
export function evidenceOf(compiled: CompiledGuide, reading: Reading): Evidence | undefined {
  const status = reading.status ?? 'seen';
  const table = compiled.tables.get(reading.character);
  if (!table || status === 'not-visible') return undefined;
  if (status === 'does-not-apply' && !table.applies) return undefined;
  const key = cacheKey(reading);
  const known = compiled.columns.get(key);
  if (known) return known;
  const said =
    status === 'does-not-apply'
      ? absenceColumn(table.applies!, compiled.base)
      : withApplicability(seenColumn(compiled, table, reading), table.applies, compiled.base);
  const column = withDoubt(said, reading.certainty ?? 'sure', compiled.base);
  if (compiled.columns.size > 256) compiled.columns.clear();
  compiled.columns.set(key, column);
  return column;
}

function seenColumn(compiled: CompiledGuide, table: Table, reading: Reading): Evidence {
  if (reading.comparison) return comparativeColumn(compiled, reading);
  return table.type === 'states' ? statesColumn(table, reading) : valueColumn(table, reading, compiled);
}

function cacheKey(reading: Reading): string {
  const { character, states, value, error, parts, comparison, certainty, status } = reading;
  const given = states ? [...states].sort() : [value, error, parts?.numerator, parts?.denominator, parts?.error, comparison];
  return JSON.stringify([character, given, certainty ?? 'sure', status ?? 'seen']);
}

function statesColumn(table: StatesTable, reading: Reading): Evidence {
  const forms = table.scored.length;
  const read = reading.states ?? [String(reading.value)];
  const rows = [...new Set(read)].map((state) => table.states.indexOf(state));
  if (rows.length === 1) {
    const from = rows[0] * forms;
    return { bits: table.bits.subarray(from, from + forms), outside: Math.log2(table.outside[rows[0]]) };
  }
  const bits = new Float64Array(forms);
  for (let f = 0; f < forms; f++) {
    let likelihood = 0;
    for (const row of rows) likelihood += likelihoodAt(table, row, f);
    bits[f] = Math.log2(likelihood);
  }
  return { bits, outside: Math.log2(rows.reduce((sum, row) => sum + table.outside[row], 0)) };
}

/** Value and error on the table's working scale. */
export function onScale(table: ValuesTable, value: number, error: number): { x: number; e: number } {
  return table.log ? { x: Math.log(value), e: error / value } : { x: value, e: error };
}

function valueColumn(table: ValuesTable, reading: Reading, compiled: CompiledGuide): Evidence {
  const given = valueOf(table.character, reading)!;
  const { x, e } = onScale(table, given.value, given.error);
  const { tail } = compiled.guide.settings;
  const forms = table.scored.length;
  const bits = new Float64Array(forms);
  const variance = e * e;
  let predictive = 0;
  let weight = 0;
  let silent = false;
  for (let f = 0; f < forms; f++) {
    if (!table.scored[f]) {
      silent = true;
      continue;
    }
    const s2 = table.sd[f] * table.sd[f] + variance;
    const d = x - table.mean[f];
    const z2 = (d * d) / s2;
    const density = tailedDensity(z2, tail);
    if (density > SMALLEST) {
      bits[f] = (Math.log((density * density) / s2) * Math.LOG2E) / 2;
      predictive += (compiled.base[f] * density) / Math.sqrt(s2);
    } else {
      bits[f] = Math.max(FLOOR, (tailedLogDensity(z2, tail) - Math.log(s2) / 2) * Math.LOG2E);
    }
    weight += compiled.base[f];
  }
  if (silent) {
    const fill =
      weight === 0
        ? broadBits(table, x, e, 1, tail)
        : predictive > 0
          ? Math.log2(predictive / weight)
          : predictiveBits(bits, compiled.base, table.scored);
    for (let f = 0; f < forms; f++) if (!table.scored[f]) bits[f] = fill;
  }
  return { bits, outside: broadBits(table, x, e, OUTSIDE_WIDTH, tail) };
}

/** log2 of the guide-wide predictive, from logarithms, over the forms that count. */
export function predictiveBits(bits: Float64Array, base: Float64Array, counts: ArrayLike<number>): number {
  let most = Number.NEGATIVE_INFINITY;
  for (let f = 0; f < bits.length; f++) if (counts[f] && base[f] > 0 && bits[f] > most) most = bits[f];
  let sum = 0;
  let weight = 0;
  for (let f = 0; f < bits.length; f++) {
    if (!counts[f] || base[f] === 0) continue;
    sum += base[f] * 2 ** (bits[f] - most);
    weight += base[f];
  }
  return weight > 0 ? most + Math.log2(sum / weight) : 0;
}

function broadBits(table: ValuesTable, x: number, e: number, width: number, tail: number): number {
  const s2 = (table.spread * width) ** 2 + e * e;
  return Math.max(FLOOR, (tailedLogDensity((x - table.centre) ** 2 / s2, tail) - Math.log(s2) / 2) * Math.LOG2E);
}

const applying = (share: number): number => Math.min(Math.max(share, LEAST_APPLIES), 1 - LEAST_APPLIES);

/** The guide-wide chance that a character applies: what is taken for what is not in the guide. */
const applyingSomewhere = (applies: Float64Array, base: Float64Array): number =>
  applies.reduce((sum, share, f) => sum + base[f] * applying(share), 0);

/** To have seen a state says too that the character applies, of forms and of what is not in the guide alike. */
function withApplicability(column: Evidence, applies: Float64Array | undefined, base: Float64Array): Evidence {
  if (!applies) return column;
  return {
    bits: column.bits.map((b, f) => b + Math.log2(applying(applies[f]))),
    outside: column.outside + Math.log2(applyingSomewhere(applies, base)),
  };
}

function absenceColumn(applies: Float64Array, base: Float64Array): Evidence {
  return {
    bits: applies.map((share) => Math.log2(1 - applying(share))),
    outside: Math.log2(1 - applyingSomewhere(applies, base)),
  };
}

/**
 * Mixed with the guide-wide predictive as the reading is less certain, in
 * logarithms, so that a value far out of every form's reach stays a number.
 */
export function withDoubt(column: Evidence, certainty: Certainty, base: Float64Array): Evidence {
  const doubt = DOUBT[certainty];
  if (doubt === 0) return column;
  const predictive = predictiveBits(column.bits, base, base) + Math.log2(doubt);
  const mix = (bits: number) => {
    const own = bits + Math.log2(1 - doubt);
    const larger = Math.max(own, predictive);
    return larger + Math.log2(1 + 2 ** (Math.min(own, predictive) - larger));
  };
  return { bits: column.bits.map(mix), outside: mix(column.outside) };
}
