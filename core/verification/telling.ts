import { type NamedForms, overlapBetween, separationOf } from '../evidence';
import { type Character, type CompiledGuide, frequenciesOf, reliabilityOf } from '../guide/working';
import type { Reading } from '../observation';

type Sides = readonly [NamedForms, NamedForms];

/** A character that tells two sides apart. */
export interface Telling {
  character: Character;
  /** (1 − overlap) × how surely it is read, 0..1. */
  worth: number;
}

/** The characters not read yet that would tell two sides apart, the best first. */
export const tellingMarks = (compiled: CompiledGuide, read: ReadonlySet<string>, sides: Sides): Telling[] =>
  [...compiled.tables.values()]
    .flatMap((table) => {
      const { character } = table;
      const scored = sides.map(({ forms }) => forms.filter((f) => table.scored[f]));
      if (read.has(character.id) || scored.some((forms) => forms.length === 0)) return [];
      const [a, b] = scored.map((forms) => ({ forms, weights: forms.map((f) => compiled.base[f]) }));
      const overlap = overlapBetween(table, a, b, compiled.guide.settings.tail);
      const helps = ['separates', 'helps'].includes(separationOf(overlap));
      return helps ? [{ character, worth: (1 - overlap) * reliabilityOf(compiled.guide, character) }] : [];
    })
    .sort((a, b) => b.worth - a.worth);

/** A character as it is met most often on a side. */
export function commonest(compiled: CompiledGuide, character: string, { forms }: NamedForms): Reading {
  const table = compiled.tables.get(character)!;
  if (table.type !== 'states') return { character };
  const often = new Map<string, number>();
  for (const f of forms)
    for (const { state, p } of frequenciesOf(table, f)) often.set(state, (often.get(state) ?? 0) + p * compiled.base[f]);
  const [[state]] = [...often].sort((a, b) => b[1] - a[1]);
  return table.character.kind === 'count' ? { character, value: Number(state) } : { character, states: [state] };
}
