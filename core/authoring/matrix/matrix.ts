import type { Score, ScoreValue, Taxon } from '../../guide/schema';
import { idsFor, isStates, lineage } from '../../guide/working';
import { type CellProblem, readCell } from './cellText';
import { cellKey, putAll, type Working } from '../workingDraft';
import { printCell } from '../cells';
import type { Draft, DraftCharacter, Edit } from '../draftSchema';

/** Taxa against characters, as formats for matrices have them; cells in the words of the grid, `?` not known, `-` does not apply. */
export interface Matrix {
  taxa: string[];
  characters: MatrixCharacter[];
  /** By taxon and character. */
  cells: string[][];
}

export interface MatrixCharacter {
  label: string;
  /** Told by states, in this order; or by a number. */
  states?: string[];
  unit?: string;
  /** Whole numbers that are counted. */
  counted?: boolean;
}

export const UNKNOWN = '?';
export const INAPPLICABLE = '-';

/** The matrix of a draft by one source: what is scored of whole taxa that are told apart, with what they have from above. */
export function matrixOf(draft: Draft, source: string): Matrix {
  const scores = new Map(draft.scores.map((score) => [cellKey(score), score.value]));
  const valueIn = (line: readonly Taxon[], character: string): ScoreValue | undefined => {
    for (const { id } of line) {
      const value = scores.get(cellKey({ character, scope: { taxon: id }, source }));
      if (value) return value;
    }
    return undefined;
  };
  const taxa = draft.taxa.filter(({ forms }) => forms);
  return {
    taxa: taxa.map(({ name }) => name),
    characters: draft.characters.map((character) => ({
      label: character.label,
      ...(character.unit ? { unit: character.unit } : {}),
      ...(isStates(character) ? { states: (character.states ?? []).map(({ label }) => label) } : {}),
      ...(character.kind === 'count' ? { counted: true } : {}),
    })),
    cells: taxa.map((taxon) => {
      // Once for each taxon: there may be thousands of characters.
      const line = lineage(draft, taxon.id);
      return draft.characters.map((character) => {
        const value = valueIn(line, character.id);
        if (!value) return UNKNOWN;
        return value.kind === 'applies' && value.frequency === 'never' ? INAPPLICABLE : printCell(character, value);
      });
    }),
  };
}

/** What a matrix that is read in changes in a draft. */
export interface MatrixChanges {
  /** Taxa that it has not yet. */
  taxa: Taxon[];
  /** Characters that it has not yet, or not with all these states. */
  characters: DraftCharacter[];
  put: Score[];
  /** Cells that cannot be read. */
  problems: CellProblem[];
}

/**
 * What a matrix that is read in changes in a draft: taxa and characters it has not are put in, states it has not are
 * added, cells are scored by the source. What cannot be read is told by cell; the rest is taken.
 */
export function matrixChanges(matrix: Matrix, draft: Working['draft'], source: string): MatrixChanges {
  const taxonIds = new Map(draft.taxa.map(({ id, name }) => [name.toLowerCase(), id]));
  // One taxon, however its letters are written: as it is written first.
  const written = new Map([...matrix.taxa].reverse().map((name) => [name.toLowerCase(), name]));
  const fresh = [...new Set(matrix.taxa)].filter(
    (name) => written.get(name.toLowerCase()) === name && !taxonIds.has(name.toLowerCase()),
  );
  const takenIds = draft.taxa.map(({ id }) => id);
  const taxa: Taxon[] = [];
  for (const [name, id] of idsFor(fresh, takenIds)) {
    taxonIds.set(name.toLowerCase(), id);
    taxa.push({ id, name, rank: 'species', abundance: 1, forms: [{ share: 1, facets: {} }] });
  }
  const known = new Map(draft.characters.map((one) => [one.label.toLowerCase(), one]));
  const had = matrix.characters.map((one) => known.get(fullLabel(one).toLowerCase()) ?? known.get(one.label.toLowerCase()));
  const ids = idsFor(
    matrix.characters.flatMap((one, c) => (had[c] ? [] : [labelOf(one)])),
    draft.characters.map(({ id }) => id),
  );
  const view = draft.views[0]?.id;
  const columns = matrix.characters.map((one, c) => {
    const character = had[c] ? withStates(had[c], one.states) : characterFor(one, ids.get(labelOf(one))!, view);
    // The same words say the same in each line: read once.
    return { character, read: remembered((text: string) => readCell(character, text)) };
  });
  const put: Score[] = [];
  const problems: CellProblem[] = [];
  matrix.taxa.forEach((name, t) => {
    const scope = { taxon: taxonIds.get(name.toLowerCase())! };
    columns.forEach(({ character, read: readText }, c) => {
      const text = matrix.cells[t]?.[c] ?? UNKNOWN;
      if (text === UNKNOWN || text.trim() === '') return;
      const read = readText(text);
      if (!read.ok) problems.push({ taxon: name, character: character.label, text, message: read.problems[0].message });
      else if (read.value) put.push({ character: character.id, scope, source, value: read.value });
    });
  });
  const characters = columns.flatMap(({ character }, c) => (character === had[c] ? [] : [character]));
  return { taxa, characters, put, problems };
}

/** The changes of a matrix, one by one. */
export const editsOf = ({ taxa, characters, put }: MatrixChanges): Edit[] => [
  ...taxa.map((taxon): Edit => ({ do: 'taxon', taxon })),
  ...characters.map((character): Edit => ({ do: 'character', character })),
  ...putAll(put),
];

/** The same text is read once: a table says the same in each line. */
export function remembered<T>(read: (text: string) => T): (text: string) => T {
  const known = new Map<string, T>();
  return (text) => {
    let value = known.get(text);
    if (value === undefined) known.set(text, (value = read(text)));
    return value;
  };
}

/** The name of a character as tables have it: the unit in brackets behind it. */
export const fullLabel = ({ label, unit }: Pick<MatrixCharacter, 'label' | 'unit'>): string =>
  unit ? `${label} (${unit})` : label;
/** The other way: a name, and what stands in brackets behind it where that may be a unit. */
export function labelAndUnit(written: string): { label: string; unit?: string } {
  const parts = /^(.*\S)\s*\(([^()]{1,12})\)$/.exec(written);
  return parts ? { label: parts[1], unit: parts[2] } : { label: written };
}

/** What stands in brackets behind a name is the unit of a number; of states it is part of the name. */
const labelOf = (one: MatrixCharacter): string => (one.states ? fullLabel(one) : one.label);

function withStates(had: DraftCharacter, states: readonly string[] | undefined): DraftCharacter {
  const own = had.states ?? [];
  const fresh = (states ?? []).filter((label) => !own.some((one) => one.label.toLowerCase() === label.toLowerCase()));
  if (fresh.length === 0 || !isStates(had)) return had;
  const ids = idsFor(
    fresh,
    own.map(({ id }) => id),
  );
  return { ...had, states: [...own, ...fresh.map((label) => ({ id: ids.get(label)!, label }))] };
}

/** A character of a matrix as a guide has it, as far as a matrix says. */
export function characterFor(one: MatrixCharacter, id: string, view: string | undefined): DraftCharacter {
  const { states, unit, counted } = one;
  const ids = idsFor(states ?? []);
  return {
    ...{ id, label: labelOf(one), group: states ? 'shape' : 'baseline', views: view ? [view] : [] },
    ...{ handling: 'look', distance: 'near', needsLight: false, seconds: 5 },
    ...(states
      ? { kind: 'nominal', states: states.map((own) => ({ id: ids.get(own)!, label: own })) }
      : counted
        ? { kind: 'count', counts: { from: 0, to: 500 } }
        : { kind: 'measurement', error: 0.1, ...(unit ? { unit } : {}) }),
  };
}
