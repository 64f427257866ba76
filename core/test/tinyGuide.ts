import { Guide } from '../guide';

type Given = Partial<Guide>;

/**
 * The smallest guide worth reasoning about: two species, two states, one value,
 * one count, and no misreading, so that every number can be worked by hand.
 */
export function tinyGuide(given: Given = {}): Guide {
  const species = (id: string, name: string) => ({
    id,
    name,
    rank: 'species' as const,
    parent: 'genus',
    forms: [{ share: 1, facets: {} }],
  });
  return Guide.parse({
    format: 'plesion-guide',
    formatVersion: 1,
    id: 'tiny',
    title: 'Tiny',
    summary: 'Two species.',
    group: 'Tiny',
    area: 'nowhere',
    caution: 'Take care.',
    facets: {},
    taxa: [{ id: 'genus', name: 'Tessella', rank: 'genus' }, species('a', 'Tessella alba'), species('b', 'Tessella brevis')],
    characters: [
      {
        id: 'edge',
        label: 'Edge',
        kind: 'nominal',
        group: 'shape',
        states: [
          { id: 'round', label: 'round' },
          { id: 'toothed', label: 'toothed' },
        ],
        views: ['top'],
      },
      { id: 'length', label: 'Length', kind: 'measurement', group: 'shape', unit: 'mm', error: 0.5, views: ['top'] },
      { id: 'teeth', label: 'Teeth', kind: 'count', group: 'shape', counts: { from: 3, to: 6 }, views: ['top'] },
    ],
    dependence: [],
    sources: [{ id: 'book', label: 'Book', citation: 'A book.', kind: 'book' }],
    policy: { kind: 'prefer', order: ['book'] },
    scores: [
      { character: 'edge', scope: { taxon: 'a' }, source: 'book', value: { kind: 'states', states: { round: 0.8 } } },
      { character: 'edge', scope: { taxon: 'b' }, source: 'book', value: { kind: 'states', states: { round: 0.2 } } },
      { character: 'length', scope: { taxon: 'a' }, source: 'book', value: { kind: 'values', mean: 10, sd: 1 } },
      { character: 'length', scope: { taxon: 'b' }, source: 'book', value: { kind: 'values', mean: 12, sd: 1 } },
      { character: 'teeth', scope: { taxon: 'a' }, source: 'book', value: { kind: 'counts', counts: { 3: 0.5, 4: 0.5 } } },
      { character: 'teeth', scope: { taxon: 'b' }, source: 'book', value: { kind: 'counts', counts: { 4: 0.5, 5: 0.5 } } },
    ],
    occurrence: [],
    regions: [],
    habitats: [],
    views: [{ id: 'top', label: 'from above' }],
    settings: { reliability: 1, slip: 0, tail: 0, outside: 0.0001 },
    ...given,
  });
}
