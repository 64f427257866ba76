import type { ScoreValue } from '../../guide/schema';
import { done, type Outcome } from '../../problem';
import { parseCell } from '../cells';
import type { DraftCharacter } from '../draftSchema';

/** A cell of a matrix that was not taken. */
export interface CellProblem {
  taxon: string;
  character: string;
  text: string;
  message: string;
}

/** A cell as matrices have it: what the grid takes, `-` for what does not apply. */
export const readCell = (character: DraftCharacter, text: string): Outcome<ScoreValue | undefined> =>
  text.trim() === '-' ? done({ kind: 'applies', frequency: 'never' }) : parseCell(character, text);
