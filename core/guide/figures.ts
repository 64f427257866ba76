import { type Form, lineage } from './forms';
import type { Figure } from './figureSchema';
import type { Guide } from './schema';
import type { FacetName } from './terms';

/**
 * The photographs of a form, or of a taxon that it belongs to: those of its own kind first, then by the order of the views. A
 * photograph of a genus shows any of its species; one of a species shows no other.
 */
export function figuresOf(guide: Pick<Guide, 'figures' | 'taxa' | 'views'>, form: Pick<Form, 'taxon' | 'facets'>): Figure[] {
  const line = lineage(guide, form.taxon).map(({ id }) => id);
  const views = guide.views.map(({ id }) => id);
  const far = ({ taxon, facets }: Figure) => 2 * line.indexOf(taxon) + (facets ? 0 : 1);
  return (guide.figures ?? [])
    .filter(
      ({ taxon, facets = {} }) =>
        line.includes(taxon) &&
        // What a form is silent on is not held against it.
        Object.entries(facets).every(([facet, values]) => {
          const own = form.facets[facet as FacetName];
          return own === undefined || values.includes(own);
        }),
    )
    .sort((a, b) => far(a) - far(b) || views.indexOf(a.view) - views.indexOf(b.view));
}

/** The photographs that a guide shows, each once, by the hashes of their files. */
export const photosOf = ({ figures = [] }: Pick<Guide, 'figures'>): string[] => [...new Set(figures.map(({ photo }) => photo))];
