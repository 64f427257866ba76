import { type CompiledGuide, misreadingMatrix, type StatesTable } from '../guide/working';
import { type Column, columnOf } from './column';
import { isMeasured } from './block';
import { massOf } from './levels';
import { valueOf } from './reading';
import { saidInstead, type Standing, type Weighed } from './standing';

/** One reading taken to be wrong, and what would stand then. */
export interface Misreading {
  /** Place in the readings given. */
  reading: number;
  /** What it would have been instead, as a state's id or a value. */
  instead: string;
  /** How plausible the misreading is, 0..1. */
  plausibility: number;
  /** Probability of the group in question then. */
  p: number;
  /** The standing then. */
  standing: { p: Float64Array; outside: number };
}

/** A value wrong by this many of its errors, and how often that happens. */
const FAR_OFF = { errors: 4, plausibility: 0.02 };

/**
 * The misreading that would cost a group of forms most, weighted by how plausible
 * it is: P(the state was s' | read r) by the character's misreading matrix and
 * how frequent s' is among the forms as they stand.
 */
export function worstMisreading(compiled: CompiledGuide, full: Standing, forms: readonly number[]): Misreading | undefined {
  const now = massOf(full.p, forms);
  let worst: Misreading | undefined;
  let cost = 0;
  full.weighed.forEach((one) => {
    if (compiled.blocks.some((measured) => isMeasured(measured, one.reading))) return;
    for (const { instead, plausibility, column } of alternatives(compiled, full, one)) {
      const then = saidInstead(full, [{ one, by: column }]);
      const p = massOf(then.p, forms);
      if (plausibility * (now - p) <= cost) continue;
      cost = plausibility * (now - p);
      worst = { reading: one.index, instead, plausibility, p, standing: then };
    }
  });
  return worst;
}

interface Alternative {
  instead: string;
  plausibility: number;
  column: Column;
}

function alternatives(compiled: CompiledGuide, full: Standing, { reading }: Weighed): Alternative[] {
  if ((reading.status ?? 'seen') !== 'seen' || reading.comparison) return [];
  const table = compiled.tables.get(reading.character)!;
  if (table.type === 'states') return otherStates(compiled, full, table, reading.states ?? [String(reading.value)], reading);
  const { value, error } = valueOf(table.character, reading)!;
  return [-1, 1].flatMap((sign) => {
    const other = value + sign * FAR_OFF.errors * error;
    if (table.log && other <= 0) return [];
    const column = columnOf(compiled, { ...reading, parts: undefined, value: other, error })!;
    return [{ instead: String(Number(other.toPrecision(3))), plausibility: FAR_OFF.plausibility, column }];
  });
}

function otherStates(
  compiled: CompiledGuide,
  full: Standing,
  table: StatesTable,
  read: readonly string[],
  reading: Weighed['reading'],
): Alternative[] {
  if (read.length !== 1) return [];
  const { settings } = compiled.guide;
  const S = table.states.length;
  const forms = table.scored.length;
  const rho = table.character.reliability ?? settings.reliability;
  const matrix = misreadingMatrix(S, table.character.kind !== 'nominal', rho, settings.slip);
  const r = table.states.indexOf(read[0]);
  const inside = 1 - full.outside || 1;
  const truth = table.states.map((_, s) => full.p.reduce((sum, p, f) => sum + p * table.frequency[s * forms + f], 0) / inside);
  const total = truth.reduce((sum, q, s) => sum + q * matrix[s * S + r], 0);
  return table.states.flatMap((state, s) => {
    const plausibility = total > 0 ? (truth[s] * matrix[s * S + r]) / total : 0;
    if (s === r || plausibility < 1e-4) return [];
    const other = table.character.kind === 'count' ? { value: Number(state) } : { states: [state] };
    return [{ instead: state, plausibility, column: columnOf(compiled, { ...reading, ...other })! }];
  });
}
