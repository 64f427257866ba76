import { seeded } from '@plesion/core/probability';
import { Guide, type Score, type ScoreValue } from '@plesion/core/guide';

/** Every so many-th character is scored anew for the summer. */
const SEASONAL_EVERY = 20;

/**
 * A large guide as it is authored, score by score: states and lengths of every
 * form, one character in twenty with other scores for the summer, and range records
 * of every form in one of eight regions.
 */
export function largeGuide(forms: number, characters: number, seed = 'large'): Guide {
  const random = seeded(seed);
  const views = [{ id: 'any', label: 'any' }];
  const regions = Array.from({ length: 8 }, (_, r) => ({ id: `r${r}`, label: `r${r}` }));
  const shell = Guide.parse({
    format: 'plesion-guide',
    formatVersion: 1,
    id: 'large',
    title: 'Large',
    summary: '',
    group: 'none',
    area: 'none',
    caution: 'Not real.',
    facets: {},
    taxa: [{ id: 'g', name: 'Synthetica', rank: 'genus' }],
    characters: Array.from({ length: characters }, (_, i) =>
      i % 5 === 4
        ? { id: `c${i}`, label: `c${i}`, kind: 'measurement', group: 'shape', error: 0.2, views: ['any'] }
        : {
            id: `c${i}`,
            label: `c${i}`,
            kind: 'nominal',
            group: 'shape',
            views: ['any'],
            states: [0, 1, 2].map((s) => ({ id: `x${s}`, label: `x${s}` })),
          },
    ),
    dependence: [],
    sources: [{ id: 'book', label: 'book', citation: 'none', kind: 'book' }],
    policy: { kind: 'prefer', order: ['book'] },
    scores: [],
    occurrence: [],
    regions,
    habitats: [],
    views,
  });
  const taxa = [
    ...shell.taxa,
    ...Array.from({ length: forms }, (_, f) => ({
      id: `s${f}`,
      name: `Synthetica s${f}`,
      rank: 'species' as const,
      parent: 'g',
      abundance: 1,
      forms: [{ share: 1, facets: {} }],
    })),
  ];
  const scopes = Array.from({ length: forms }, (_, f) => ({ taxon: `s${f}` }));
  const summers = scopes.map((scope) => ({ ...scope, dates: { from: '06-01', to: '08-31' } }));
  const states = [0, 1, 2].map((s): ScoreValue => ({ kind: 'states', states: { [`x${s}`]: 'usually' } }));
  const lengths = Array.from({ length: 64 }, (_, i): ScoreValue => ({ kind: 'values', mean: 5 + i * 0.7, sd: 0.8 }));
  const any = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)];
  const scores: Score[] = [];
  shell.characters.forEach(({ id, kind }, i) => {
    const values = kind === 'measurement' ? lengths : states;
    for (let f = 0; f < forms; f++) {
      scores.push({ character: id, scope: scopes[f], source: 'book', value: any(values) });
      if (i % SEASONAL_EVERY === 0) scores.push({ character: id, scope: summers[f], source: 'book', value: any(values) });
    }
  });
  const occurrence = scopes.map(({ taxon }) => ({
    kind: 'range' as const,
    taxon,
    region: any(regions).id,
    frequency: 'often' as const,
  }));
  return { ...shell, taxa, scores, occurrence };
}
