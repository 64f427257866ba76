import type { Block, Guide } from '../guide';
import { tinyGuide } from './tinyGuide';

/**
 * Two species measured in two lengths that go together (correlation .9): each
 * length alone says little, their difference nearly everything.
 */
export function blockGuide(block: Partial<Block> = {}, given: Partial<Guide> = {}): Guide {
  const measurement = (id: string) => ({
    id,
    label: id,
    kind: 'measurement' as const,
    group: 'shape' as const,
    unit: 'mm',
    error: 0.1,
    views: ['top'],
    handling: 'look' as const,
    distance: 'near' as const,
    needsLight: false,
    seconds: 5,
  });
  return tinyGuide({
    characters: [...tinyGuide().characters.slice(0, 1), measurement('x'), measurement('y')],
    scores: tinyGuide().scores.slice(0, 2),
    blocks: [
      {
        id: 'measured',
        label: 'measured',
        characters: ['x', 'y'],
        log: false,
        temper: 1,
        // Large n: the means are as good as known.
        forms: [
          { taxon: 'a', facets: {}, n: 1e9, mean: [10, 10] },
          { taxon: 'b', facets: {}, n: 1e9, mean: [10.5, 9.5] },
        ],
        covariance: [1, 0.9, 1],
        ...block,
      },
    ],
    ...given,
  });
}
