import { type Guide, lineage } from '../guide/working';

/** Sizes of ring that a guide allows for a taxon: those said nearest above it; undefined where none are said. */
export function ringSizes(guide: Pick<Guide, 'field' | 'taxa'>, taxon: string): readonly string[] | undefined {
  for (const { id } of lineage(guide, taxon)) {
    const own = guide.field?.rings?.find((one) => one.taxon === id);
    if (own) return own.sizes;
  }
  return undefined;
}
