import type { Guide } from '@plesion/core/guide';
import { type NamePart, nameParts, type Qualifier, shortName } from '@plesion/core/specimen';
import { StyleSheet, Text } from 'react-native';
import { colour, font } from '../theme';
import { useLetterScale } from '../theme/look';

interface TaxonNameProps {
  guide: Pick<Guide, 'taxa'>;
  taxon?: string;
  other?: string;
  qualifier?: Qualifier;
  /** *P. murica* for *Petralda murica*. */
  short?: boolean;
  size?: number;
  color?: string;
  lines?: number;
}

/** A scientific name as it is typeset: names lean; qualifiers, ranks and words stand upright. */
export function TaxonName({
  guide,
  taxon,
  other,
  qualifier = 'none',
  short,
  size = 17,
  color = colour.ink,
  lines,
}: TaxonNameProps) {
  const letters = size * useLetterScale();
  const parts = nameParts(guide, { qualifier, taxon, other }).map((part, i) => (short && i === 0 ? shortened(part) : part));
  return (
    <Text numberOfLines={lines} style={[styles.upright, { fontSize: letters, lineHeight: Math.round(letters * 1.3), color }]}>
      {parts.map((part, i) => (
        <Text key={i} style={part.italic ? styles.italic : styles.upright}>
          {part.text}
        </Text>
      ))}
    </Text>
  );
}

const shortened = (part: NamePart): NamePart => (part.italic ? { ...part, text: shortName(part.text) } : part);

const styles = StyleSheet.create({
  italic: { fontFamily: font.name },
  upright: { fontFamily: font.nameUpright },
});
