import type { Form } from './forms';
import { mixture } from './resolve';
import type { Guide, Taxon } from './schema';
import type { Resolved } from './tables';

/** A guide with one more candidate: the cross of two of its taxa, if it is not there already. */
export function withCross(guide: Guide, [a, b]: readonly [string, string], abundance = 0.05): Guide {
  const taxa = new Map(guide.taxa.map((taxon) => [taxon.id, taxon]));
  const [first, second] = [taxa.get(a), taxa.get(b)];
  const known = guide.taxa.some(({ cross }) => cross && cross.includes(a) && cross.includes(b));
  if (!first || !second || known) return guide;
  const [genus, ...rest] = second.name.split(' ');
  const cross: Taxon = {
    id: `${a}-x-${b}`,
    name: `${first.name} × ${rest.length ? `${genus[0]}. ${rest.join(' ')}` : genus}`,
    rank: first.rank,
    parent: first.parent,
    abundance,
    cross: [a, b],
  };
  return { ...guide, taxa: [...guide.taxa, cross] };
}

/** Values of crosses between their parents', states mixed, each by its share of ancestry. */
export function mixCrosses(forms: readonly Form[], resolved: readonly Resolved[]): readonly Resolved[] {
  if (!forms.some(({ cross }) => cross)) return resolved;
  const at = new Map(forms.map((form, f) => [form.id, f]));
  return forms.map(({ cross }, f) => {
    if (!cross) return resolved[f];
    const [a, b] = cross.parents.map((id) => resolved[at.get(id)!]);
    if (!a || !b) return undefined;
    const share = [cross.share, 1 - cross.share];
    if ('p' in a || 'p' in b) return mixture([a, b], share);
    const mean = share[0] * a.mean + share[1] * b.mean;
    return { mean, sd: Math.sqrt(share[0] * a.sd ** 2 + share[1] * b.sd ** 2) };
  });
}
