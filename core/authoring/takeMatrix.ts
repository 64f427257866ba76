import { done, failed, type Outcome } from '../problem';
import { type Cell, type DraftCharacter, type Edit, type MatrixEdit, MOST_CHARACTERS, MOST_TAXA } from './draftSchema';
import { type CellProblem, type Matrix, matrixChanges, type MatrixChanges, readMatrix } from './matrix';
import { cellKey, dropAll, missing, putAll, type Working } from './workingDraft';

export interface MatrixTaken {
  matrix: Matrix;
  /** Cells that could not be read, and were left out. */
  problems: CellProblem[];
  /** What takes it back, in the order to be made. */
  back: Edit[];
}

/**
 * Take a matrix in; the draft at work is changed in place, in one pass whatever its size.
 *
 * @returns what was taken, and what takes it back; or `no-source`, `too-large`, or why the matrix cannot be read, and nothing is changed.
 */
export function takeMatrix(working: Working, { source, text }: MatrixEdit): Outcome<MatrixTaken> {
  if (!working.draft.sources.some(({ id }) => id === source)) return missing('source', source);
  const read = readMatrix(text);
  if (!read.ok) return read;
  const changes = matrixChanges(read.value, working.draft, source);
  const { taxa, characters } = working.draft;
  const all = [taxa.length + changes.taxa.length, characters.length + freshIn(characters, changes).size] as const;
  if (all[0] > MOST_TAXA || all[1] > MOST_CHARACTERS)
    return failed({
      code: 'too-large',
      message: `With these there would be ${all[0]} taxa and ${all[1]} characters; a guide has ${MOST_TAXA} and ${MOST_CHARACTERS} at most.`,
      field: 'text',
    });
  return done({ matrix: read.value, problems: changes.problems, back: takeChanges(working, changes) });
}

/** Ids of characters that a draft has not yet. */
function freshIn(had: readonly DraftCharacter[], { characters }: Pick<MatrixChanges, 'characters'>): Set<string> {
  const known = new Set(had.map(({ id }) => id));
  return new Set(characters.flatMap(({ id }) => (known.has(id) ? [] : [id])));
}

/** Make the changes of a matrix; what takes them back. */
function takeChanges(working: Working, { taxa, characters, put }: MatrixChanges): Edit[] {
  const { draft } = working;
  const had = new Map(draft.characters.map((one) => [one.id, one]));
  const next = new Map(characters.map((one) => [one.id, one]));
  const fresh = { taxa: new Set(taxa.map(({ id }) => id)), characters: freshIn(draft.characters, { characters }) };
  working.draft = {
    ...draft,
    taxa: [...draft.taxa, ...taxa],
    characters: [
      ...draft.characters.map((one) => next.get(one.id) ?? one),
      ...characters.filter(({ id }) => fresh.characters.has(id)),
    ],
  };
  const restored = [];
  const added: Cell[] = [];
  for (const score of put) {
    const key = cellKey(score);
    const was = working.scores.get(key);
    if (was) restored.push(was);
    // What is scored of a taxon or by a character that was not there goes with it.
    else if (!fresh.taxa.has(score.scope.taxon!) && !fresh.characters.has(score.character))
      added.push({ character: score.character, scope: score.scope, source: score.source });
    working.scores.set(key, score);
  }
  const changed = characters.flatMap(({ id }): DraftCharacter[] => {
    const was = had.get(id);
    return was ? [was] : [];
  });
  return [
    ...dropAll(added),
    ...putAll(restored),
    ...(fresh.taxa.size || fresh.characters.size
      ? [{ do: 'drop', taxa: [...fresh.taxa], characters: [...fresh.characters] } as Edit]
      : []),
    ...changed.map((character): Edit => ({ do: 'character', character })),
  ];
}
