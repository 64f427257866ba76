import { FREQUENCY_WORDS } from './words';
import { id as Id } from './terms';

/** What a guide calls its things, as it is given: not looked at yet. */
interface Names {
  characters: ReadonlySet<unknown>;
  taxa: ReadonlySet<unknown>;
  sources: ReadonlySet<unknown>;
}

const isObject = (value: unknown): value is Record<string, unknown> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);
const namesIn = (list: unknown): ReadonlySet<unknown> =>
  new Set(Array.isArray(list) ? list.map((one: unknown) => (isObject(one) ? one.id : undefined)) : []);

const WORDS: ReadonlySet<unknown> = new Set(FREQUENCY_WORDS);
const LONGEST_NOTE = 4000;

/**
 * Places of the scores of a guide that have to be looked at one by one. All others are of the plainest shape (a state or
 * some, with how often, of a whole taxon, by names that the guide itself has): of millions nearly all are, and to look
 * at each with the whole of the schema would take minutes.
 */
export function scoresToRead(guide: Record<string, unknown> & { scores: readonly unknown[] }): number[] {
  const names: Names = {
    characters: namesIn(guide.characters),
    taxa: namesIn(guide.taxa),
    sources: namesIn(guide.sources),
  };
  const states = new Map<string, boolean>();
  const isId = (text: string): boolean => {
    let known = states.get(text);
    if (known === undefined) states.set(text, (known = Id.safeParse(text).success));
    return known;
  };
  return guide.scores.flatMap((score, i) => (isPlain(score, names, isId) ? [] : [i]));
}

function isPlain(score: unknown, names: Names, isId: (text: string) => boolean): boolean {
  if (!isObject(score) || !isObject(score.scope)) return false;
  for (const key in score) {
    if (key === 'note') {
      if (typeof score.note !== 'string' || score.note.length > LONGEST_NOTE) return false;
    } else if (key !== 'character' && key !== 'scope' && key !== 'source' && key !== 'value') return false;
  }
  for (const key in score.scope) if (key !== 'taxon') return false;
  return (
    names.characters.has(score.character) &&
    names.taxa.has(score.scope.taxon) &&
    names.sources.has(score.source) &&
    isPlainValue(score.value, isId)
  );
}

function isPlainValue(value: unknown, isId: (text: string) => boolean): boolean {
  if (!isObject(value) || value.kind !== 'states' || !isObject(value.states)) return false;
  for (const key in value) if (key !== 'kind' && key !== 'states') return false;
  for (const state in value.states) {
    const often = value.states[state];
    if (!isId(state) || !(WORDS.has(often) || (typeof often === 'number' && often >= 0 && often <= 1))) return false;
  }
  return true;
}
