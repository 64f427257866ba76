import type { Reading } from '@plesion/core/observation';
import type { Character, Guide } from '@plesion/core/guide';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { useLetterScale } from '../../theme/appearance';
import { Box } from '../../ui/Box';
import { Icon } from '../../ui/Icon';
import { Hatch } from '../../ui/Hatch';
import { Option, Options } from '../../ui/Options';
import { Text } from '../../ui/Text';
import { StateTile } from '../plates/StateTile';

interface StateTilesProps {
  guide: Guide;
  character: Character;
  reading?: Reading;
  onStates: (states: string[]) => void;
  onCount: (count: number) => void;
  onUnseen: () => void;
  /** May several be chosen, when the eye cannot decide? */
  several?: boolean;
  /** Numbers of the keys that choose them. */
  keys?: boolean;
}

const SIZE = 64;

/** How wide a tile is at least, and may grow, with letters of the usual size. */
const BASIS = 76;
const WIDEST = 116;

/** The states of a character as drawings to choose from, and "not visible", always. */
export function StateTiles({ guide, character, reading, onStates, onCount, onUnseen, several, keys }: StateTilesProps) {
  const seen = reading && (reading.status ?? 'seen') === 'seen' ? reading : undefined;
  const options = optionsOf(character);
  const press = (id: string) => {
    if (character.kind === 'count') return onCount(Number(id));
    const chosen = seen?.states ?? [];
    if (!several) return onStates([id]);
    const next = chosen.includes(id) ? chosen.filter((s) => s !== id) : [...chosen, id];
    if (next.length) onStates(next);
  };
  return (
    <Options label={character.label} many={several} gap="s" across>
      {options.map(({ id, label }, i) => {
        const on = character.kind === 'count' ? seen?.value === Number(id) : Boolean(seen?.states?.includes(id));
        return (
          <Tile
            key={id}
            label={label}
            on={on}
            // A count is typed as it is.
            character={keys && i < 9 && character.kind !== 'count' ? String(i + 1) : undefined}
            onPress={() => press(id)}
          >
            <StateTile
              guide={guide}
              character={character}
              state={character.kind === 'count' ? Number(id) : id}
              size={SIZE}
              otherwise={
                <Text strong size="lead">
                  {label.slice(0, 2)}
                </Text>
              }
            />
          </Tile>
        );
      })}
      <Tile
        label="not visible"
        on={reading?.status === 'not-visible'}
        hatched
        character={keys ? 'N' : undefined}
        onPress={onUnseen}
      >
        <Icon name="unseen" size={34} color={colour.quiet} />
      </Tile>
    </Options>
  );
}

/** Counts are offered as tiles too, one a number. */
function optionsOf(character: Character): { id: string; label: string }[] {
  if (character.kind !== 'count') return character.states ?? [];
  const { from, to } = character.counts!;
  return Array.from({ length: to - from + 1 }, (_, i) => ({ id: String(from + i), label: String(from + i) }));
}

interface TileProps {
  label: string;
  on: boolean;
  hatched?: boolean;
  character?: string;
  onPress: () => void;
  children: ReactNode;
}

function Tile({ label, on, hatched, character, onPress, children }: TileProps) {
  const scale = useLetterScale();
  return (
    <Option
      on={on}
      label={label}
      onPress={onPress}
      style={({ pressed }) => [
        styles.tile,
        { flexBasis: BASIS * scale, maxWidth: WIDEST * scale },
        on && styles.on,
        pressed && styles.pressed,
      ]}
    >
      {hatched && <Hatch />}
      <Box align="center" justify="center" wide={SIZE} tall={SIZE}>
        {children}
      </Box>
      <Text size="small" strong={on} color={on ? colour.kelp : colour.ink} set="centre" tight>
        {label}
      </Text>
      {character && (
        <View style={styles.character}>
          <Text size="small" quiet style={styles.characterText}>
            {character}
          </Text>
        </View>
      )}
    </Option>
  );
}

const styles = StyleSheet.create({
  tile: {
    flexGrow: 1,
    minHeight: 108,
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.hairline,
    backgroundColor: colour.paper,
    alignItems: 'center',
    padding: space.xs,
    paddingTop: space.s,
    gap: space.xs,
    overflow: 'hidden',
  },
  on: {
    borderWidth: 2.5,
    borderColor: colour.kelp,
    backgroundColor: colour.kelpWash,
    padding: space.xs - 1.5,
    paddingTop: space.s - 1.5,
  },
  pressed: { backgroundColor: colour.kelpWash },
  character: {
    position: 'absolute',
    top: 3,
    left: 3,
    minWidth: 18,
    alignItems: 'center',
    borderRadius: 4,
    backgroundColor: colour.sheet,
    opacity: 0.9,
  },
  characterText: { fontSize: 11, lineHeight: 15 },
});
