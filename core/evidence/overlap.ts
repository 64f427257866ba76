import { type Table, frequencyAt } from '../guide/working';
import { tailedDensity } from './density';
import type { Separation } from './vocabulary';

/** From these overlaps on, and up to them, a character is said to do something. */
export const OVERLAP = { separates: 0.05, helps: 0.3, doesNot: 0.6 } as const;

export function separationOf(overlap: number): Separation {
  if (overlap < OVERLAP.separates) return 'separates';
  if (overlap < OVERLAP.helps) return 'helps';
  return overlap > OVERLAP.doesNot ? 'does not separate' : 'weak';
}

/** Some forms and their weights; they need not sum to 1. */
export interface WeightedForms {
  forms: readonly number[];
  weights: readonly number[];
}

const STEPS = 200;

/**
 * The overlap coefficient ∫ min(p, q) of one character between two sides, each
 * the mixture of its forms (Weitzman 1970): 0 apart … 1 alike.
 */
export const overlapBetween = (table: Table, a: WeightedForms, b: WeightedForms, tail: number): number =>
  summed(table, a, b, tail, Math.min);

/**
 * How often one of side `a` is more like side `b` in this character: the probability, 0..1, that what it shows is
 * commoner there, ∫ p where q > p.
 */
export const misleadsBetween = (table: Table, a: WeightedForms, b: WeightedForms, tail: number): number =>
  summed(table, a, b, tail, (p, q) => (q > p ? p : 0));

/** The sum over all states, or the integral over all values, of what becomes of the two sides' frequencies. */
function summed(table: Table, a: WeightedForms, b: WeightedForms, tail: number, of: (p: number, q: number) => number): number {
  const [p, q] = [distribution(table, a), distribution(table, b)];
  if (table.type === 'states') return table.states.reduce((sum, _, s) => sum + of(p(s), q(s)), 0);
  const { low, high } = reach(table, [...a.forms, ...b.forms]);
  const step = (high - low) / STEPS;
  const [da, db] = [density(table, a, tail), density(table, b, tail)];
  let sum = 0;
  for (let k = 0; k < STEPS; k++) {
    const x = low + (k + 0.5) * step;
    sum += of(da(x), db(x)) * step;
  }
  return Math.min(1, sum);
}

/** Cells that all values of some sides lie in. */
const CELLS = 600;

/**
 * The frequencies of one character on several sides: of each state, or of values in cells as broad as each other over
 * all that the sides reach. Σ min of two is their overlap, for every pair at once.
 */
export function frequenciesOver(table: Table, sides: readonly WeightedForms[], tail: number): Float64Array[] {
  if (table.type === 'states')
    return sides.map((side) => {
      const of = distribution(table, side);
      return Float64Array.from(table.states, (_, s) => of(s));
    });
  const { low, high } = reach(
    table,
    sides.flatMap(({ forms }) => forms),
  );
  const step = (high - low) / CELLS;
  return sides.map((side) => {
    const of = density(table, side, tail);
    return Float64Array.from({ length: CELLS }, (_, k) => of(low + (k + 0.5) * step) * step);
  });
}

/** Frequency of each state on a side. */
function distribution(table: Table, side: WeightedForms): (state: number) => number {
  if (table.type !== 'states') return () => 0;
  const total = side.weights.reduce((sum, w) => sum + w, 0) || 1;
  return (state) => side.forms.reduce((sum, f, i) => sum + (side.weights[i] / total) * frequencyAt(table, state, f), 0);
}

/** Density of values on a side, on the table's working scale. */
export function density(table: Extract<Table, { type: 'values' }>, side: WeightedForms, tail: number): (x: number) => number {
  const total = side.weights.reduce((sum, w) => sum + w, 0) || 1;
  return (x) =>
    side.forms.reduce((sum, f, i) => {
      if (side.weights[i] === 0) return sum;
      const z = (x - table.mean[f]) / table.sd[f];
      return sum + ((side.weights[i] / total) * tailedDensity(z * z, tail)) / table.sd[f];
    }, 0);
}

/** Where the values of some forms lie, five spreads to either side. */
export function reach(table: Extract<Table, { type: 'values' }>, forms: readonly number[]): { low: number; high: number } {
  return {
    low: forms.reduce((min, f) => Math.min(min, table.mean[f] - 5 * table.sd[f]), Number.POSITIVE_INFINITY),
    high: forms.reduce((max, f) => Math.max(max, table.mean[f] + 5 * table.sd[f]), Number.NEGATIVE_INFINITY),
  };
}
