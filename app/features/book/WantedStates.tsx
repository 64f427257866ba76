import type { Wanted } from '@plesion/core/book';
import type { Character, Guide } from '@plesion/core/guide';
import { StyleSheet } from 'react-native';
import { Option, Options } from '../../ui/Options';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { StateTile } from '../plates/StateTile';

interface WantedStatesProps {
  guide: Guide;
  characters: readonly Character[];
  /** How many forms each state of a character would leave. */
  counts: (character: string) => Record<string, number>;
  wanted: Wanted;
  onChange: (character: string, states: string[]) => void;
}

/** How the touched part may look: each state drawn, with how many forms it would leave. */
export function WantedStates({ guide, characters, counts, wanted, onChange }: WantedStatesProps) {
  return characters.map((character) => {
    const left = counts(character.id);
    const on = wanted[character.id] ?? [];
    const press = (state: string) =>
      onChange(character.id, on.includes(state) ? on.filter((one) => one !== state) : [...on, state]);
    return (
      <Options many key={character.id} label={character.label} gap="xs">
        <Text size="small" strong>
          {character.label}
        </Text>
        <Row>
          {character.states!.map(({ id, label }) => {
            const chosen = on.includes(id);
            return (
              <Option
                key={id}
                on={chosen}
                label={`${label}, ${left[id]} forms`}
                onPress={() => press(id)}
                framed
                align="center"
                pad="xs"
                wide={84}
                leastTall={96}
                round="m"
                tone="paper"
                style={left[id] === 0 && styles.none}
              >
                <StateTile guide={guide} character={character} state={id} size={56} />
                <Text size="small" strong={chosen} style={styles.label}>
                  {label}
                </Text>
                <Text size="small" quiet figures>
                  {left[id]}
                </Text>
              </Option>
            );
          })}
        </Row>
      </Options>
    );
  });
}

const styles = StyleSheet.create({
  none: { opacity: 0.45 },
  label: { textAlign: 'center', lineHeight: 16, flexGrow: 1 },
});
