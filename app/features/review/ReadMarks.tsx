import type { Guide } from '@plesion/core/guide';
import { type Reading, sayReading } from '@plesion/core/observation';
import { View } from 'react-native';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

interface ReadMarksProps {
  guide: Guide;
  readings: readonly Reading[];
  /** The mark that the name rests on most. */
  lead?: string;
}

/** What was read of it; first what the name rests on most. */
export function ReadMarks({ guide, readings, lead }: ReadMarksProps) {
  if (readings.length === 0)
    return (
      <Text size="small" quiet>
        Nothing was read of it: it was named by its look.
      </Text>
    );
  const ordered = [...readings].sort((a, b) => Number(b.character === lead) - Number(a.character === lead));
  return (
    <Stack role="list" aria-label="What was read" gap="xs">
      {ordered.map((reading, i) => {
        const character = guide.characters.find(({ id }) => id === reading.character);
        if (!character) return null;
        const said = `${character.label}: ${sayReading(character, reading)}`;
        const leads = reading.character === lead;
        return (
          <View key={reading.id ?? i} role="listitem">
            <Text size="small" strong={leads}>
              {leads ? `${said}, on which the name rests most` : said}
            </Text>
          </View>
        );
      })}
    </Stack>
  );
}
