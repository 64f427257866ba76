import type { ComparedCharacter } from '@plesion/core/compare';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Words } from '../../ui/Words';
import { FrequencyBars } from './FrequencyBars';
import { ValueCurves } from './ValueCurves';

const SAID = {
  separates: 'separates',
  helps: 'helps',
  weak: 'helps little',
  'does not separate': 'does not separate',
} as const;

interface ComparedMarkProps {
  mark: ComparedCharacter;
  names: readonly string[];
  unit?: string;
}

/** One character of the forms compared: drawn as frequencies or curves, with how far they overlap. */
export function ComparedMark({ mark, names, unit }: ComparedMarkProps) {
  const values = mark.forms.some((scored) => scored?.kind === 'values');
  const strong = mark.separation === 'separates' || mark.separation === 'helps';
  return (
    <View style={[styles.mark, strong && styles.strong, mark.hindrance && styles.hindered]} testID={`mark-${mark.character}`}>
      <View style={styles.head}>
        <Words strong style={styles.grow}>
          {mark.label}
        </Words>
        <Words size="small" strong={strong} quiet={!strong} color={strong ? colour.kelp : undefined}>
          {`${SAID[mark.separation]} · ${Math.round(mark.overlap * 100)} in 100 alike`}
        </Words>
      </View>
      {(mark.only.length > 0 || mark.trap || mark.hindrance) && (
        <View style={styles.labels}>
          {mark.trap && <Label text="trap: famous, and alike here" color={colour.against} />}
          {mark.only.map((only) => (
            <Label key={only} text={only} color={colour.quiet} />
          ))}
          {mark.hindrance && <Label text={mark.hindrance} color={colour.quiet} />}
        </View>
      )}
      {values ? <ValueCurves forms={mark.forms} names={names} unit={unit} /> : <FrequencyBars forms={mark.forms} names={names} />}
    </View>
  );
}

function Label({ text, color }: { text: string; color: string }) {
  return (
    <View style={[styles.label, { borderColor: color }]}>
      <Words size="small" color={color}>
        {text}
      </Words>
    </View>
  );
}

const styles = StyleSheet.create({
  mark: {
    gap: space.s,
    padding: space.m,
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.hairline,
    backgroundColor: colour.sheet,
  },
  strong: { borderColor: colour.kelp, borderWidth: 1.5 },
  hindered: { borderStyle: 'dashed' },
  head: { flexDirection: 'row', flexWrap: 'wrap', alignItems: 'baseline', columnGap: space.m },
  grow: { flexGrow: 1 },
  labels: { flexDirection: 'row', flexWrap: 'wrap', gap: space.xs },
  label: { borderWidth: 1, borderRadius: radius.s, paddingHorizontal: space.s },
});
