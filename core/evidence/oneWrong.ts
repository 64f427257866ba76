import { type CompiledGuide, misreadingMatrix, type StatesTable, frequencyAt, reliabilityOf } from '../guide/working';
import { evidenceOf } from './readingEvidence';
import { type Evidence } from './model';
import { massOf } from './levels';
import { type Posterior, saidInstead, type WeighedPosterior, type Weighed } from './posterior';

/** One reading taken to be wrong, and the standing then. */
export interface Misread {
  /** Place in the readings given. */
  reading: number;
  /** What it would have been instead, as a state's id or a value. */
  instead: string;
  /** How plausible the misreading is, 0..1. */
  plausibility: number;
  standing: Posterior;
}

/** A value wrong by this many of its errors, and how often that happens. */
const FAR_OFF = { errors: 4, plausibility: 0.02 };

/**
 * Every single misreading that is worth a thought, with how plausible it is:
 * P(the state was s' | read r) by the character's misreading matrix and how
 * frequent s' is among the forms as they stand.
 */
export function misreadingsOf(compiled: CompiledGuide, full: WeighedPosterior): Misread[] {
  return full.weighed.flatMap((one) => {
    if (one.measured) return [];
    return alternatives(compiled, full, one).map(({ instead, plausibility, column }) => ({
      reading: one.index,
      instead,
      plausibility,
      standing: saidInstead(compiled, full, [{ index: one.index, by: column }]),
    }));
  });
}

/** The misreading that would cost a group of forms most, weighted by how plausible it is, and their probability then. */
export function worstMisreading(
  full: Posterior,
  misread: readonly Misread[],
  forms: readonly number[],
): (Misread & { p: number }) | undefined {
  const now = massOf(full.p, forms);
  let worst: (Misread & { p: number }) | undefined;
  let cost = 0;
  for (const one of misread) {
    const p = massOf(one.standing.p, forms);
    if (one.plausibility * (now - p) <= cost) continue;
    cost = one.plausibility * (now - p);
    worst = { ...one, p };
  }
  return worst;
}

interface Alternative {
  instead: string;
  plausibility: number;
  column: Evidence;
}

function alternatives(compiled: CompiledGuide, full: WeighedPosterior, { reading, value: given }: Weighed): Alternative[] {
  if ((reading.status ?? 'seen') !== 'seen' || reading.comparison) return [];
  const table = compiled.tables.get(reading.character)!;
  if (table.type === 'states') return otherStates(compiled, full, table, reading.states ?? [String(reading.value)], reading);
  const { value, error } = given!;
  return [-1, 1].flatMap((sign) => {
    const other = value + sign * FAR_OFF.errors * error;
    if (table.log && other <= 0) return [];
    const column = evidenceOf(compiled, { ...reading, parts: undefined, value: other, error })!;
    return [{ instead: String(Number(other.toPrecision(3))), plausibility: FAR_OFF.plausibility, column }];
  });
}

function otherStates(
  compiled: CompiledGuide,
  full: WeighedPosterior,
  table: StatesTable,
  read: readonly string[],
  reading: Weighed['reading'],
): Alternative[] {
  if (read.length !== 1) return [];
  const { settings } = compiled.guide;
  const S = table.states.length;
  const rho = reliabilityOf({ settings }, table.character);
  const matrix = misreadingMatrix(S, table.character.kind !== 'nominal', rho, settings.slip);
  const r = table.states.indexOf(read[0]);
  const inside = 1 - full.outside || 1;
  const truth = table.states.map((_, s) => full.p.reduce((sum, p, f) => sum + p * frequencyAt(table, s, f), 0) / inside);
  const total = truth.reduce((sum, q, s) => sum + q * matrix[s * S + r], 0);
  return table.states.flatMap((state, s) => {
    const plausibility = total > 0 ? (truth[s] * matrix[s * S + r]) / total : 0;
    if (s === r || plausibility < 1e-4) return [];
    const other = table.character.kind === 'count' ? { value: Number(state) } : { states: [state] };
    return [{ instead: state, plausibility, column: evidenceOf(compiled, { ...reading, ...other })! }];
  });
}
