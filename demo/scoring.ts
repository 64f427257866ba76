import type { Character, Scope, Score, ScoreValue } from '@plesion/core/guide';

export type ScopedFacets = Scope['facets'];
type Words = Extract<ScoreValue, { kind: 'states' }>['states'];

/** What a source says of a taxon: a published range as text, or frequencies of states; for some facets, dates or circumstances. */
export type Row = [taxon: string, value: Words | string, facets?: ScopedFacets, more?: Partial<Scope>];

/** All rows of one character from one source. */
export function from(source: string, character: string, rows: Row[]): Score[] {
  return rows.map(([taxon, said, facets, more]) => ({
    character,
    source,
    scope: { taxon, ...(facets ? { facets } : {}), ...more },
    value: typeof said === 'string' ? { kind: 'range', range: said } : { kind: 'states', states: said },
  }));
}

/** Frequencies of counts. */
export const countsFrom = (source: string, character: string, rows: [string, Record<string, number>][]): Score[] =>
  rows.map(([taxon, table]) => ({ character, source, scope: { taxon }, value: { kind: 'counts', counts: table } }));

/** A character with what is usual filled in. */
export const character = (
  given: Omit<Character, 'handling' | 'distance' | 'needsLight' | 'seconds'> & Partial<Character>,
): Character => ({ handling: 'look', distance: 'near', needsLight: false, seconds: 4, ...given });

export const inHand = { handling: 'hold', distance: 'hand' } as const;
export const measured = { ...inHand, handling: 'instrument', seconds: 25 } as const;
