import { lineage } from './forms';
import type { Guide } from './schema';

/**
 * Must the precise place stay untold? Where a taxon that it may be (a name given or led to, what holds
 * it, or what it holds) is one whose places are not to be published; and where nothing is known of
 * what it is while the guide has such taxa.
 *
 * @param taxa ids of all that it may be.
 */
export function isSensitive(guide: Guide | undefined, taxa: readonly string[]): boolean {
  const guarded = guide?.taxa.filter(({ sensitive }) => sensitive) ?? [];
  if (!guide || guarded.length === 0) return false;
  const known = taxa.filter((id) => guide.taxa.some((taxon) => taxon.id === id));
  if (known.length === 0) return true;
  const holds = (upper: string, lower: string) => lineage(guide, lower).some(({ id }) => id === upper);
  return known.some((id) => guarded.some((taxon) => holds(taxon.id, id) || holds(id, taxon.id)));
}
