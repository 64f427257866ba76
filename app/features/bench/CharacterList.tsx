import type { Standing } from '@plesion/core/evidence';
import { type Reading, sayReading } from '@plesion/core/observation';
import type { Guide } from '@plesion/core/guide';
import { useEffect, useRef } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { PressBox } from '../../ui/PressBox';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { inWorkingOrder, readingOf } from '../analysis/readings';

interface CharacterListProps {
  guide: Guide;
  readings: readonly Reading[];
  chosen?: string;
  /** Characters left out for now, and why. */
  setAside?: Standing['setAside'];
  onChoose: (character: string) => void;
}

/** The row that is chosen by key comes into sight; where the focus is in the list it goes along. */
function useKeptInSight(chosen: string | undefined) {
  const list = useRef<View>(null);
  useEffect(() => {
    const rows = list.current as unknown;
    if (typeof HTMLElement === 'undefined' || !(rows instanceof HTMLElement)) return;
    const row = rows.querySelector<HTMLElement>('[aria-current=true]');
    row?.scrollIntoView({ block: 'nearest' });
    if (rows.contains(document.activeElement)) row?.focus({ preventScroll: true });
  }, [chosen]);
  return list;
}

/** Every character of the guide in working order, with what was read of it. */
export function CharacterList({ guide, readings, chosen, setAside = [], onChoose }: CharacterListProps) {
  const list = useKeptInSight(chosen);
  return (
    <Stack ref={list} gap="m">
      {inWorkingOrder(guide).map(({ group, label, characters }) => (
        <View key={group} role="group" aria-label={label}>
          <Box padY="xs">
            <Text size="small" strong color={colour.kelp} heading={3}>
              {label}
            </Text>
          </Box>
          {characters.map((character) => {
            const reading = readingOf(readings, character.id);
            const said = reading && sayReading(character, reading);
            const aside = setAside.find((one) => one.character === character.id);
            return (
              <PressBox
                key={character.id}
                role="button"
                aria-current={character.id === chosen ? 'true' : undefined}
                onPress={() => onChoose(character.id)}
                sinks
                across
                oneLine
                align="center"
                touch
                padX="s"
                gap="s"
                round="s"
                tone={character.id === chosen ? 'kelpWash' : undefined}
              >
                <View style={[styles.dot, said ? styles.read : undefined]} />
                <Box fill padY="xs">
                  <Text size="small" strong={Boolean(said)}>
                    {character.label}
                  </Text>
                  {aside && !said && (
                    <Text size="small" quiet color={aside.because === 'danger' ? colour.hazard : undefined} numberOfLines={1}>
                      {aside.because === 'danger' ? 'withheld: danger' : aside.text}
                    </Text>
                  )}
                  {said && (
                    <Text size="small" color={colour.kelp}>
                      {said}
                    </Text>
                  )}
                </Box>
              </PressBox>
            );
          })}
        </View>
      ))}
    </Stack>
  );
}

const styles = StyleSheet.create({
  dot: { width: 10, height: 10, borderRadius: 5, borderWidth: 1.5, borderColor: colour.unknown },
  read: { backgroundColor: colour.kelp, borderColor: colour.kelp },
});
