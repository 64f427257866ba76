import { type Guide, isStates } from '@plesion/core/guide';
import { type Reading, sayReading } from '@plesion/core/observation';
import { useState } from 'react';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';

interface MarksSeenProps {
  guide: Guide;
  readings: readonly Reading[];
  onChange: (readings: Reading[]) => void;
}

/** What can be seen of it: a mark is chosen, and then what it shows. */
export function MarksSeen({ guide, readings, onChange }: MarksSeenProps) {
  const [chosen, choose] = useState<string>();
  const character = guide.characters.find(({ id }) => id === chosen);
  const put = (reading: Reading) => {
    onChange([...readings.filter((one) => one.character !== reading.character), reading]);
    choose(undefined);
  };
  return (
    <Stack>
      {readings.map((reading) => {
        const own = guide.characters.find(({ id }) => id === reading.character)!;
        return (
          <Row key={reading.character} gap="m" align="center">
            <Text fill={180}>{`${own.label}: ${sayReading(own, reading)}`}</Text>
            <Button
              small
              kind="quiet"
              label="Remove"
              hint={`Remove: ${own.label}`}
              onPress={() => onChange(readings.filter((one) => one !== reading))}
            />
          </Row>
        );
      })}
      <Picker
        label="A mark that can be seen"
        items={guide.characters.map(({ id, label }) => ({ id, label }))}
        chosen={chosen}
        onChange={choose}
        onClear={() => choose(undefined)}
      />
      {character &&
        (isStates(character) && character.states ? (
          <ChoiceGroup
            label={character.label}
            options={character.states}
            chosen={[]}
            onChange={([state]) => put({ character: character.id, states: [state] })}
          />
        ) : (
          <Value
            key={character.id}
            label={character.label}
            unit={character.unit}
            onPut={(value) => put({ character: character.id, value })}
          />
        ))}
    </Stack>
  );
}

function Value({ label, unit, onPut }: { label: string; unit?: string; onPut: (value: number) => void }) {
  const [text, setText] = useState('');
  const value = Number(text.replace(',', '.'));
  const wrong = text.trim() !== '' && !Number.isFinite(value);
  return (
    <Row gap="m" align="center">
      <Box fill={180}>
        <TextField
          label={unit ? `${label}, ${unit}` : label}
          value={text}
          onChangeText={setText}
          inputMode="decimal"
          problem={wrong ? 'Write a number.' : undefined}
        />
      </Box>
      <Button small label="Add" hint={`Add: ${label}`} disabled={wrong || text.trim() === ''} onPress={() => onPut(value)} />
    </Row>
  );
}
