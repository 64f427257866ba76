import type { CompiledGuide, StatesTable } from '../guide/working';
import type { WeighedPosterior } from './posterior';

/** No other form has the state more often than this. */
const UNSHARED = 0.02;
/** The group itself has it at least this often. */
const OWNED = 0.3;
/** A reading that speaks against by more than this forbids the name. */
const AGAINST = 3;

/**
 * The *diagnostic character* school: one character that no other form shares, read "sure"
 * in two separate looks, with nothing against by more than 3 bits.
 */
export function diagnosticCharacter(
  compiled: CompiledGuide,
  full: WeighedPosterior,
  forms: readonly number[],
  contributions: readonly number[],
): { found: boolean; text: string } {
  const inside = new Set(forms);
  const looks = new Map<string, number>();
  for (const { reading } of full.weighed) {
    const table = compiled.tables.get(reading.character)!;
    if (table.type !== 'states' || reading.states?.length !== 1 || (reading.certainty ?? 'sure') !== 'sure') continue;
    if (!isUnshared(table, reading.states[0], inside)) continue;
    looks.set(reading.character, (looks.get(reading.character) ?? 0) + 1);
  }
  const [best] = [...looks].sort((a, b) => b[1] - a[1]);
  if (!best) return { found: false, text: 'needs a character that nothing else has' };
  const label = compiled.guide.characters.find(({ id }) => id === best[0])!.label.toLowerCase();
  if (best[1] < 2) return { found: false, text: `needs a second, separate look at the ${label}` };
  const against = contributions.findIndex((bits) => bits < -AGAINST);
  if (against >= 0) {
    const { character } = full.weighed[against].reading;
    const other = compiled.guide.characters.find(({ id }) => id === character)!.label.toLowerCase();
    return { found: false, text: `the ${other} speaks against it by ${(-contributions[against]).toFixed(1)} bits` };
  }
  return { found: true, text: `by its ${label}, which nothing else has, seen ${best[1] === 2 ? 'twice' : `${best[1]} times`}` };
}

function isUnshared(table: StatesTable, state: string, inside: ReadonlySet<number>): boolean {
  const row = table.states.indexOf(state) * table.scored.length;
  let owned = false;
  for (let f = 0; f < table.scored.length; f++) {
    const p = table.frequency[row + f];
    if (inside.has(f)) owned ||= table.scored[f] === 1 && p >= OWNED;
    else if (p > UNSHARED) return false;
  }
  return owned;
}
