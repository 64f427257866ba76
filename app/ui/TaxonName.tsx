import { type Guide, type NamePart, shortName } from '@plesion/core/guide';
import { type Determination, nameParts, type Qualifier } from '@plesion/core/specimen';
import { WrittenParts } from './WrittenName';

interface TaxonNameProps {
  /** Absent where the name is only written. */
  guide?: Pick<Guide, 'taxa'>;
  taxon?: string;
  other?: string;
  qualifier?: Qualifier;
  written?: Determination['written'];
  /** *P. murica* for *Petralda murica*. */
  short?: boolean;
  size?: number;
  color?: string;
  lines?: number;
}

/** A scientific name as it is typeset: names lean; qualifiers, ranks and words stand upright. */
export function TaxonName({ guide, taxon, other, qualifier = 'none', written, short, size, color, lines }: TaxonNameProps) {
  const parts = nameParts(guide, { qualifier, taxon, other, written }).map((part, i) =>
    short && i === 0 ? shortened(part) : part,
  );
  return <WrittenParts parts={parts} size={size} color={color} lines={lines} />;
}

const shortened = (part: NamePart): NamePart => (part.italic ? { ...part, text: shortName(part.text) } : part);
