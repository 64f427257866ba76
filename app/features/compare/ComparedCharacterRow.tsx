import type { ComparedCharacter } from '@plesion/core/compare';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
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
      ruledIn={strong ? 'kelp' : 'hairline'}
      thick={strong}
      dashed={Boolean(character.setAside)}
      round="m"
      tone="sheet"
      testID={`compared-${character.character}`}
    >
      <Row gap="m" lineGap="none" align="baseline">
        <Text strong fill>
          {character.label}
        </Text>
        <Text size="small" strong={strong} quiet={!strong} color={strong ? colour.kelp : undefined}>
          {`${SAID[character.separation]} · ${Math.round(character.overlap * 100)} in 100 alike`}
        </Text>
      </Row>
      {(character.only.length > 0 || character.trap || character.setAside) && (
        <Row gap="xs">
          {character.trap && <Label text="trap: famous, and alike here" tone="against" />}
          {character.only.map((only) => (
            <Label key={only} text={only} tone="quiet" />
          ))}
          {character.setAside && <Label text={character.setAside} tone="quiet" />}
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

function Label({ text, tone }: { text: string; tone: 'against' | 'quiet' }) {
  return (
    <Box padX="s" ruled="round" ruledIn={tone} round="s">
      <Text size="small" color={colour[tone]}>
        {text}
      </Text>
    </Box>
  );
}
