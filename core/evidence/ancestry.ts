import type { Ancestry } from './schema';
import type { CompiledGuide } from '../guide/working';
import type { WeighedPosterior } from './posterior';

/** The share of ancestry of each cross, estimated from the readings: the posterior over its forms. */
export function ancestryOf({ guide, forms }: CompiledGuide, full: WeighedPosterior): Ancestry[] {
  return guide.taxa.flatMap(({ id, cross }): Ancestry[] => {
    if (!cross) return [];
    const own = forms.flatMap((form, f) => (form.taxon === id && form.cross ? [{ share: form.cross.share, p: full.p[f] }] : []));
    const p = own.reduce((sum, one) => sum + one.p, 0);
    if (p <= 0) return [];
    const share = own.reduce((sum, one) => sum + (one.p / p) * one.share, 0);
    const variance = own.reduce((sum, one) => sum + (one.p / p) * (one.share - share) ** 2, 0);
    return [{ taxon: id, parents: cross, p, share, spread: Math.sqrt(variance) }];
  });
}
