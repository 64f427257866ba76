import type { Standing } from '@plesion/core/evidence';
import { type Reading, sayReading } from '@plesion/core/observation';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, type Judgement, reliabilityOf } from '@plesion/core/guide';
import type { ReactNode } from 'react';
import { View } from 'react-native';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Icon } from '../../ui/Icon';
import { Card } from '../../ui/Card';
import { PressBox } from '../../ui/PressBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { sayEye } from '../judgement/sayEye';

interface LedgerSheetProps {
  guide: Guide;
  readings: readonly Reading[];
  answer?: Standing;
  /** Whose own reading counts in place of the guide's. */
  reader?: Judgement['reader'];
  onOpen: (character: string) => void;
  onUndo: () => void;
  canUndo: boolean;
  onClearAll: () => void;
  /** Below the readings. */
  children?: ReactNode;
}

/** What was read, each with its bits for the left (◂ amber) or the right (▸ violet) of the beam. */
export function LedgerSheet({
  guide,
  readings,
  answer,
  reader,
  onOpen,
  onUndo,
  canUndo,
  onClearAll,
  children,
}: LedgerSheetProps) {
  const characters = new Set(answer?.ledger.filter((entry) => entry.weight > 0).map((entry) => entry.group)).size;
  return (
    <Card title="Readings" aside={readings.length ? `${readings.length} read, ${characters} independent` : undefined}>
      {readings.length === 0 && (
        <Text quiet>Nothing read yet. Begin with the look offered first, or any character you can see.</Text>
      )}
      <View>
        {readings.map((reading, i) => (
          <LedgerRow
            key={reading.id ?? i}
            guide={guide}
            reading={reading}
            answer={answer}
            reader={reader}
            index={i}
            onOpen={() => onOpen(reading.character)}
          />
        ))}
      </View>
      {children}
      <Row justify="between" oneLine gap="none">
        <Button
          small
          kind="quiet"
          label="Undo"
          disabled={!canUndo}
          onPress={onUndo}
          icon={<Icon name="undo" size={18} color={colour.kelp} />}
        />
        <Button small kind="quiet" label="Clear all" disabled={readings.length === 0} onPress={onClearAll} />
      </Row>
    </Card>
  );
}

function LedgerRow({
  guide,
  reading,
  answer,
  reader,
  index,
  onOpen,
}: {
  guide: Guide;
  reading: Reading;
  answer?: Standing;
  reader?: Judgement['reader'];
  index: number;
  onOpen: () => void;
}) {
  const character = guide.characters.find((c) => c.id === reading.character)!;
  const entry = answer?.ledger[index];
  const said = sayReading(character, reading);
  const bits = entry && entry.weight > 0 && entry.character === reading.character ? entry : undefined;
  return (
    <PressBox
      role="button"
      onPress={onOpen}
      sinks
      across
      oneLine
      align="center"
      justify="between"
      gap="m"
      touch
      padY="s"
      ruled="below"
      accessibilityLabel={`${character.label}: ${said}${bits && answer ? `, ${Math.abs(bits.bits).toFixed(1)} bits for ${bits.bits > 0 ? answer.beam.left.label : answer.beam.right.label}` : ''}`}
    >
      <Box fill>
        <Text size="small" quiet>
          {character.label}
        </Text>
        <Text strong>{said}</Text>
        {bits && bits.weight < 0.999 && (
          <Text size="small" quiet>{`counts ${Math.round(bits.weight * 100)} %: not independent of its neighbours`}</Text>
        )}
        {bits && reader?.eye?.[reading.character] && reading.error === undefined && (
          <Text size="small" quiet>{`put right by ${reader.name}’s own eye: ${sayEye(reader.eye[reading.character])}`}</Text>
        )}
        {bits && reader?.rho[reading.character] !== undefined && (
          <Text
            size="small"
            quiet
          >{`${reader.name}’s own reading of it counts ${reader.rho[reading.character].toFixed(2)} here; the guide’s is ${reliabilityOf(guide, character).toFixed(2)}`}</Text>
        )}
        {bits?.without !== undefined && answer && Math.abs(bits.without - answer.beam.left.p) > 0.1 && (
          <Text size="small" quiet>{`without it: ${inHundred(bits.without)}`}</Text>
        )}
      </Box>
      {bits ? (
        <Bits bits={bits.bits} />
      ) : (
        <Text size="small" quiet>
          no evidence
        </Text>
      )}
    </PressBox>
  );
}

export function Bits({ bits }: { bits: number }) {
  if (Math.abs(bits) < 0.05) return <Text quiet>0.0</Text>;
  const left = bits > 0;
  return (
    <Text strong figures color={left ? colour.for : colour.against}>
      {left ? `◂ ${bits.toFixed(1)}` : `${(-bits).toFixed(1)} ▸`}
    </Text>
  );
}
