import type { Guide } from '../guide/working';
import { turnedOut } from './judge';
import type { Called } from './schema';

/**
 * The taxon that a record stands under on lists instead of its name, once it is known what it was: where that is
 * another, or goes further than the name; nothing where the name stands.
 *
 * @param name as it was given last; absent where there is none, or it is doubted.
 */
export function listedInstead(
  guide: Pick<Guide, 'taxa'>,
  name: Pick<Called, 'taxon' | 'other'> | undefined,
  truth: Pick<Called, 'taxon'>,
): string | undefined {
  if (!guide.taxa.some(({ id }) => id === truth.taxon)) return undefined;
  if (!name) return truth.taxon;
  if (name.taxon === truth.taxon && !name.other) return undefined;
  // An outcome that does not go as far as the name takes nothing from it.
  return turnedOut(guide, { ...name, facets: {} }, { taxon: truth.taxon, facets: {} }) === undefined ? undefined : truth.taxon;
}
