import type { Guide } from './schema';
import type { Facets } from './terms';
import { FACETS } from './vocabulary';

/** The facets of a form or name in words, age before sex before morph: "adult male, banded". */
export function sayFacets(guide: Pick<Guide, 'facets'>, facets: Facets): string {
  const label = (facet: (typeof FACETS)[number]) => {
    const value = facets[facet];
    return value && (guide.facets[facet]?.find((declared) => declared.id === value)?.label ?? value);
  };
  const [stage, sex, morph, season] = FACETS.map(label);
  return [[stage, sex].filter(Boolean).join(' '), morph, season].filter(Boolean).join(', ');
}
