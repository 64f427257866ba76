import type { Pooled } from '../opinions';
import { type Analysis, analyse } from './analyse';

/** Taxa told of at most. */
const MOST = 4;

/**
 * What several people read of one thing: a character that more than one of them read counts as further looks at it do,
 * with the correlation of their errors (design effect: Kish 1965) in place of the guide's.
 *
 * @param correlation γ, 0..1: 1 counts all who read a character as one.
 */
export function pooled(asked: Analysis, correlation: number): Pick<Pooled, 'text' | 'taxa'> {
  const { settings } = asked.guide;
  const { call, taxa } = analyse({ ...asked, guide: { ...asked.guide, settings: { ...settings, secondLook: correlation } } });
  const species = taxa.filter(({ rank }) => rank === 'species');
  return {
    text: call.text,
    taxa: [...(species.length ? species : taxa)]
      .sort((a, b) => b.p - a.p)
      .slice(0, MOST)
      .map(({ taxon, name, p }) => ({ taxon, name, p })),
  };
}
