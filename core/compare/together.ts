import { density, reach } from '../evidence';
import { type CompiledGuide, frequencyAt } from '../guide/working';

/** What one character shows of two forms, as probabilities of the same outcomes. */
export interface ToldApart {
  a: number[];
  b: number[];
}

/** Classes that a measured character is cut into. */
const CLASSES = 60;

/** A character's outcomes under two forms: its states or counts, or its values in classes. */
export function toldBy(compiled: CompiledGuide, character: string, a: number, b: number): ToldApart {
  const table = compiled.tables.get(character)!;
  if (table.type === 'states') {
    const of = (form: number) => table.states.map((_, s) => frequencyAt(table, s, form));
    return { a: of(a), b: of(b) };
  }
  const { low, high } = reach(table, [a, b]);
  const step = (high - low) / CLASSES;
  const of = (form: number) => {
    const at = density(table, { forms: [form], weights: [1] }, compiled.guide.settings.tail);
    return Array.from({ length: CLASSES }, (_, k) => at(low + (k + 0.5) * step) * step);
  };
  return { a: of(a), b: of(b) };
}

/**
 * The share of mistakes when two independent characters are both read and both
 * forms are equally likely: ½ Σ min(Pa, Pb) over what they may show together (the
 * Bayes error).
 */
export function togetherWrong(first: ToldApart, second: ToldApart): number {
  let sum = 0;
  first.a.forEach((a, i) => second.a.forEach((p, k) => (sum += Math.min(a * p, first.b[i] * second.b[k]))));
  return Math.min(0.5, sum / 2);
}
