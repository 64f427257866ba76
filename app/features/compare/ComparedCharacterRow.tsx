import type { ComparedCharacter } from '@plesion/core/compare';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { FrequencyBars } from './FrequencyBars';
import { ValueCurves } from './ValueCurves';

const SAID = {
  separates: 'separates',
  helps: 'helps',
  weak: 'helps little',
  'does not separate': 'does not separate',
} as const;

interface ComparedCharacterProps {
  character: ComparedCharacter;
  names: readonly string[];
  unit?: string;
}

/** One character of the forms compared: drawn as frequencies or curves, with how far they overlap. */
export function ComparedCharacterRow({ character, names, unit }: ComparedCharacterProps) {
  const values = character.forms.some((scored) => scored?.kind === 'values');
  const strong = character.separation === 'separates' || character.separation === 'helps';
  return (
    <Stack
      pad="m"
      ruled="round"
      ruledIn="hairline"
      round="m"
      tone="sheet"
      style={[strong && styles.strong, character.setAside && styles.hindered]}
      testID={`compared-${character.character}`}
    >
      <Row gap="m" lineGap="none" align="baseline">
        <Text strong style={styles.grow}>
          {character.label}
        </Text>
        <Text size="small" strong={strong} quiet={!strong} color={strong ? colour.kelp : undefined}>
          {`${SAID[character.separation]} · ${Math.round(character.overlap * 100)} in 100 alike`}
        </Text>
      </Row>
      {(character.only.length > 0 || character.trap || character.setAside) && (
        <Row gap="xs">
          {character.trap && <Label text="trap: famous, and alike here" color={colour.against} />}
          {character.only.map((only) => (
            <Label key={only} text={only} color={colour.quiet} />
          ))}
          {character.setAside && <Label text={character.setAside} color={colour.quiet} />}
        </Row>
      )}
      {values ? (
        <ValueCurves forms={character.forms} names={names} unit={unit} />
      ) : (
        <FrequencyBars forms={character.forms} names={names} />
      )}
    </Stack>
  );
}

function Label({ text, color }: { text: string; color: string }) {
  return (
    <View style={[styles.label, { borderColor: color }]}>
      <Text size="small" color={color}>
        {text}
      </Text>
    </View>
  );
}

const styles = StyleSheet.create({
  strong: { borderColor: colour.kelp, borderWidth: 1.5 },
  hindered: { borderStyle: 'dashed' },
  grow: { flexGrow: 1 },
  label: { borderWidth: 1, borderRadius: radius.s, paddingHorizontal: space.s },
});
