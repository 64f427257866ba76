import type { Character } from '../guide/working';
import type { OwnCell } from './schema';

const whole = (share: number): string => (share >= 0.995 ? 'all' : share < 0.005 ? 'none' : `${Math.round(100 * share)} in 100`);

/** The state in which ours and the books differ most: "down to the bill: books 98 in 100; ours 31 of 36". */
export function sayStates(character: Character, states: NonNullable<OwnCell['states']>, n: number): string {
  const [{ state, books, read }] = [...states].sort((a, b) => Math.abs(b.read / n - b.books) - Math.abs(a.read / n - a.books));
  const label = character.states?.find(({ id }) => id === state)?.label ?? state;
  return `${label}: books ${whole(books)}; ours ${Math.round(read)} of ${Math.round(n)}`;
}

/** "books 31 ± 2 mm; ours 34 ± 2 mm, 12 measured" */
export function sayValues(character: Character, { books, read }: NonNullable<OwnCell['values']>, n: number): string {
  const unit = character.unit && character.unit !== '1' ? ` ${character.unit}` : '';
  const say = ({ mean, sd }: { mean: number; sd: number }) => `${mean.toPrecision(3)} ± ${sd.toPrecision(2)}${unit}`;
  return `books ${say(books)}; ours ${say(read)}, ${Math.round(n)} measured`;
}
