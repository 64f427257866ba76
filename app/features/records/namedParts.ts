import { type Facets, type Guide, type NamePart, sayFacets } from '@plesion/core/guide';
import { nameParts, type Qualifier } from '@plesion/core/specimen';

/** What something is called, with sex and stage, as it is typeset: "*Petralda murica*, adult male". */
export function namedParts(
  guide: Guide,
  { qualifier, taxon, other, facets }: { qualifier?: Qualifier; taxon?: string; other?: string; facets: Facets },
): NamePart[] {
  const more = sayFacets(guide, facets);
  const parts = nameParts(guide, { qualifier: qualifier ?? (other ? 'or' : 'none'), taxon, other });
  return more ? [...parts, { text: `, ${more}`, italic: false }] : parts;
}

/** Words and names in one line. */
export const phrase = (...bits: readonly (string | readonly NamePart[])[]): NamePart[] =>
  bits.flatMap((bit) => (typeof bit === 'string' ? [{ text: bit, italic: false }] : bit));

/** The same without its type, for those who hear it. */
export const plain = (parts: readonly NamePart[]): string => parts.map(({ text }) => text).join('');
