import type { GuideRow } from '@plesion/contract';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Words } from '../../ui/Words';
import { GuideFigure } from './GuideFigure';

interface GuidePickProps {
  rows: readonly GuideRow[];
  chosen?: string;
  onChange: (id: string) => void;
}

/** Which guide: each by a drawing of what it is about. */
export function GuidePick({ rows, chosen, onChange }: GuidePickProps) {
  return (
    <View role="radiogroup" aria-label="Guide" style={styles.row}>
      {rows.map((row) => {
        const on = row.id === chosen;
        return (
          <Pressable
            key={row.id}
            role="radio"
            aria-checked={on}
            accessibilityLabel={row.title}
            onPress={() => onChange(row.id)}
            style={[styles.tile, on && styles.on]}
          >
            <GuideFigure id={row.id} width={88} height={60} />
            <Words size="small" strong={on} color={on ? colour.kelp : colour.ink} numberOfLines={2} style={styles.name}>
              {row.group.replace(/\s*\(.*\)$/, '')}
            </Words>
          </Pressable>
        );
      })}
    </View>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', flexWrap: 'wrap', gap: space.s },
  tile: {
    flexGrow: 1,
    flexBasis: 98,
    maxWidth: 160,
    minHeight: 96,
    alignItems: 'center',
    justifyContent: 'space-between',
    padding: space.s,
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.hairline,
    backgroundColor: colour.paper,
  },
  on: { borderColor: colour.kelp, borderWidth: 2.5, padding: space.s - 1.5, backgroundColor: colour.kelpWash },
  name: { textAlign: 'center', lineHeight: 16 },
});
