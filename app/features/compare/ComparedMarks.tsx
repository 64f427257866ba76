import type { ComparedCharacter, Comparison } from '@plesion/core/compare';
import type { Guide } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';
import { ComparedMark } from './ComparedMark';

/** Those that separate, and the traps, drawn in full; the rest in a line, until they are asked for. */
export function ComparedMarks({ guide, comparison, names }: { guide: Guide; comparison: Comparison; names: readonly string[] }) {
  const [all, setAll] = useState(false);
  const telling = ({ separation, trap }: ComparedCharacter) => trap || separation !== 'does not separate';
  const shown = comparison.characters.filter((mark) => all || telling(mark));
  const rest = comparison.characters.filter((mark) => !telling(mark));
  return (
    <>
      <View style={styles.marks}>
        {shown.map((mark) => (
          <View key={mark.character} style={styles.mark}>
            <ComparedMark mark={mark} names={names} unit={guide.characters.find((c) => c.id === mark.character)?.unit} />
          </View>
        ))}
      </View>
      {rest.length > 0 && (
        <Sheet
          title="Does not separate these"
          aside={
            <Button
              small
              kind="quiet"
              label={all ? 'Hide' : 'Show drawn'}
              hint="Show the marks that do not separate"
              onPress={() => setAll(!all)}
            />
          }
        >
          <Words size="small" quiet>
            {`${rest.map(({ label, overlap }) => `${label} (${Math.round(overlap * 100)} in 100 alike)`).join(', ')}.`}
          </Words>
        </Sheet>
      )}
    </>
  );
}

const styles = StyleSheet.create({
  marks: { flexDirection: 'row', flexWrap: 'wrap', gap: space.m },
  mark: { flexGrow: 1, flexBasis: 330 },
});
