import { type CompiledGuide, frequenciesOf } from '../guide/working';
import type { Reading } from '../observation';

/** Some forms of a guide, as one would name them. */
export interface NamedForms {
  forms: readonly number[];
  label: string;
}

/** A reading worth less than this, in bits, neither tells nor misleads. */
export const TELLS = 0.5;

const RARE = 0.15;

/** How often what was read is met on two sides: "cap: down to the bill, in 8 of ten stone terns, in 1 of ten sand terns." */
export function sayDifference(compiled: CompiledGuide, reading: Reading, sides: readonly [NamedForms, NamedForms]): string {
  const table = compiled.tables.get(reading.character)!;
  const { character } = table;
  const mean = ({ forms }: NamedForms, value: (form: number) => number) => {
    const weight = forms.reduce((sum, f) => sum + compiled.base[f], 0);
    return forms.reduce((sum, f) => sum + (compiled.base[f] / weight) * value(f), 0);
  };
  const [{ label: a }, { label: b }] = sides;
  if (table.type === 'states') {
    const state = reading.states?.[0] ?? String(reading.value);
    const label = character.states?.find(({ id }) => id === state)?.label ?? state;
    const shares = sides.map((side) => mean(side, (f) => frequenciesOf(table, f).find((each) => each.state === state)?.p ?? 0));
    // What is rare on both sides is not told apart by tens.
    const [of, word] = shares.every((share) => share < RARE) ? [100, 'a hundred'] : [10, 'ten'];
    const [one, two] = shares.map((share) => Math.round(of * share));
    return `${character.label}: ${label}, in ${one} of ${word} ${a}, in ${two} of ${word} ${b}.`;
  }
  const [one, two] = sides.map((side) => {
    const middle = mean(side, (f) => table.mean[f]);
    return (table.log ? Math.exp(middle) : middle).toPrecision(3);
  });
  return `${character.label}: about ${one} in ${a}, about ${two} in ${b}.`;
}
