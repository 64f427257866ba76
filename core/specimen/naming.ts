import { isItalic, type NamePart, shortName, taxonIndex, taxonParts, type Guide } from '../guide/working';
import type { Determination } from './schema';

/**
 * The name of a determination as it is typeset, e.g. *Petralda* cf. *murica*,
 * *Petralda cinerata* or *P. murica*, *Petralda* sp.
 */
export function nameParts(guide: Pick<Guide, 'taxa'>, name: Pick<Determination, 'qualifier' | 'taxon' | 'other'>): NamePart[] {
  if (name.qualifier === 'unknown') return [{ text: 'Unknown', italic: false }];
  if (name.qualifier === 'outside') return [{ text: 'Not in this guide', italic: false }];
  const taxon = taxonIndex(guide).get(name.taxon ?? '');
  if (!taxon) return [{ text: 'Not yet named', italic: false }];
  const italic = isItalic(taxon.rank);
  if (name.qualifier === 'sp.')
    return [
      { text: taxon.name, italic },
      { text: ' sp.', italic: false },
    ];
  if (name.qualifier === 'cf.' || name.qualifier === 'aff.') {
    const words = taxon.name.split(' ');
    if (words.length < 2)
      return [
        { text: `${name.qualifier} `, italic: false },
        { text: taxon.name, italic },
      ];
    return [
      { text: words.slice(0, -1).join(' '), italic },
      { text: ` ${name.qualifier} `, italic: false },
      { text: words.at(-1)!, italic },
    ];
  }
  const parts: NamePart[] = taxonParts(taxon.name, taxon.rank);
  const other = name.qualifier === 'or' ? taxonIndex(guide).get(name.other ?? '') : undefined;
  if (!other) return parts;
  return [...parts, { text: ' or ', italic: false }, ...taxonParts(shortName(other.name), other.rank)];
}
