import type { Standing } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

/** Marks left out for now, under the reason they share. */
export function SetAsideSheet({ guide, answer }: { guide: Guide; answer: Standing }) {
  if (answer.setAside.length === 0) return null;
  const reasons = [...new Set(answer.setAside.map(({ text }) => text))];
  const labelOf = (id: string) => guide.characters.find((character) => character.id === id)?.label ?? id;
  return (
    <Sheet title="Set aside" aside={`${answer.setAside.length} marks`}>
      {reasons.map((reason) => {
        const danger = answer.setAside.some(({ text, because }) => text === reason && because === 'danger');
        return (
          <View key={reason} style={styles.one}>
            <Words size="small" strong color={danger ? colour.hazard : colour.quiet}>
              {reason}
            </Words>
            <Words size="small" quiet>
              {answer.setAside
                .filter(({ text }) => text === reason)
                .map(({ character }) => labelOf(character))
                .join(', ')}
            </Words>
          </View>
        );
      })}
    </Sheet>
  );
}

const styles = StyleSheet.create({ one: { gap: 2, paddingBottom: space.xs } });
