import { type NamePart, typesetName } from '@plesion/core/guide';
import { StyleSheet, Text } from 'react-native';
import { colour, font } from '../theme';
import { useLetterScale } from '../theme/appearance';

interface WrittenPartsProps {
  parts: readonly NamePart[];
  size?: number;
  color?: string;
  lines?: number;
}

/** A name in parts: what is a scientific name leans; authorities, ranks, qualifiers and words stand upright. */
export function WrittenParts({ parts, size = 17, color = colour.ink, lines }: WrittenPartsProps) {
  const scale = useLetterScale();
  const letters = size * scale;
  return (
    <Text
      numberOfLines={scale === 1 ? lines : undefined}
      style={[styles.upright, { fontSize: letters, lineHeight: Math.round(letters * 1.3), color }]}
    >
      {parts.map((part, i) => (
        <Text key={i} style={part.italic ? styles.italic : styles.upright}>
          {part.text}
        </Text>
      ))}
    </Text>
  );
}

/** A name as it stands in a text, of which no guide knows more. */
export const WrittenName = ({ name, ...rest }: Omit<WrittenPartsProps, 'parts'> & { name: string }) => (
  <WrittenParts parts={typesetName(name)} {...rest} />
);

const styles = StyleSheet.create({
  italic: { fontFamily: font.name },
  upright: { fontFamily: font.nameUpright },
});
