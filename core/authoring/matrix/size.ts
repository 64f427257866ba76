import { MOST_CHARACTERS, MOST_TAXA } from '../draftSchema';
import type { Problem } from '../../problem';

/** Cells of a matrix at most. */
const MOST_CELLS = 4_000_000;

const say = (n: number): string => n.toLocaleString('en-GB');

/** Is a matrix larger than a guide may be, or than can be held at once? What to do then. */
export function tooLarge(taxa: number, characters: number): Problem | undefined {
  if (taxa <= MOST_TAXA && characters <= MOST_CHARACTERS && taxa * characters <= MOST_CELLS) return undefined;
  return {
    code: 'too-large',
    message: `${say(taxa)} taxa and ${say(characters)} characters are too many at once: import parts of it, at most ${say(MOST_TAXA)} taxa, ${say(MOST_CHARACTERS)} characters and ${say(MOST_CELLS)} cells.`,
    field: 'text',
  };
}
