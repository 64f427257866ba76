import { type Guide, isItalic, type NamePart, shortName, taxonIndex, taxonParts, typesetName } from '../guide/working';
import type { Determination } from './schema';

const upright = (text: string): NamePart => ({ text, italic: false });

/**
 * The name of a determination as it is typeset, e.g. *Petralda* cf. *murica*,
 * *Petralda cinerata* or *P. murica*, *Petralda* sp. Without a guide, or with one that
 * does not know the taxon, the name stands as it was written.
 */
export function nameParts(
  guide: Pick<Guide, 'taxa'> | undefined,
  { qualifier, taxon, other, written }: Pick<Determination, 'qualifier' | 'taxon' | 'other' | 'written'>,
): NamePart[] {
  if (qualifier === 'unknown') return [upright('Unknown')];
  if (qualifier === 'outside') return [upright('Not in this guide')];
  const one = named(guide, taxon, written?.name);
  if (!one) return [upright('Not yet named')];
  if (qualifier === 'sp.') return [...one.parts, upright(' sp.')];
  if (qualifier === 'cf.' || qualifier === 'aff.') return qualified(one, qualifier);
  const two = qualifier === 'or' ? named(guide, other, written?.other) : undefined;
  if (!two) return one.parts;
  return [
    ...one.parts,
    upright(' or '),
    ...(two.rank ? taxonParts(shortName(two.name), two.rank) : typesetName(shortName(two.name))),
  ];
}

interface Named {
  name: string;
  /** Known of a guide's taxon. */
  rank?: string;
  parts: NamePart[];
}

function named(guide: Pick<Guide, 'taxa'> | undefined, id: string | undefined, written: string | undefined): Named | undefined {
  const taxon = guide && id !== undefined ? taxonIndex(guide).get(id) : undefined;
  if (taxon) return { name: taxon.name, rank: taxon.rank, parts: taxonParts(taxon.name, taxon.rank) };
  return written ? { name: written, parts: typesetName(written) } : undefined;
}

/** The sign stands before the epithet it doubts; before the whole of a name of one word. */
function qualified({ name, rank, parts }: Named, sign: string): NamePart[] {
  const italic = rank ? isItalic(rank) : parts[0].italic;
  const words = name.split(' ');
  if (words.length < 2) return [upright(`${sign} `), { text: name, italic }];
  return [{ text: words.slice(0, -1).join(' '), italic }, upright(` ${sign} `), { text: words.at(-1)!, italic }];
}
