import type { GuideRow } from '@plesion/contract';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Option, Options } from '../../ui/Options';
import { Text } from '../../ui/Text';
import { GuideFigure } from './GuideFigure';

interface GuidePickProps {
  rows: readonly GuideRow[];
  /** A guide's id, or `NO_GUIDE`. */
  chosen?: string;
  onChange: (id: string) => void;
  /** May one do without, naming by a key alone or by hand? */
  without?: boolean;
}

/** Stands for doing without a guide. */
export const NO_GUIDE = 'none';

/** Which guide: each by a drawing of what it is about. */
export function GuidePick({ rows, chosen, onChange, without }: GuidePickProps) {
  return (
    <Options label="Guide" style={styles.row}>
      {rows.map((row) => (
        <Tile key={row.id} title={row.title} on={row.id === chosen} onPress={() => onChange(row.id)}>
          <GuideFigure id={row.id} width={88} height={60} />
          <TileName on={row.id === chosen}>{row.group.replace(/\s*\(.*\)$/, '')}</TileName>
        </Tile>
      ))}
      {without && (
        <Tile title="No guide: named by a key alone, or by hand" on={chosen === NO_GUIDE} onPress={() => onChange(NO_GUIDE)}>
          <View style={styles.empty} />
          <TileName on={chosen === NO_GUIDE}>no guide</TileName>
        </Tile>
      )}
    </Options>
  );
}

function Tile({ title, on, onPress, children }: { title: string; on: boolean; onPress: () => void; children: ReactNode }) {
  return (
    <Option on={on} label={title} onPress={onPress} style={[styles.tile, on && styles.on]}>
      {children}
    </Option>
  );
}

const TileName = ({ on, children }: { on: boolean; children: string }) => (
  <Text size="small" strong={on} color={on ? colour.kelp : colour.ink} numberOfLines={2} style={styles.name}>
    {children}
  </Text>
);

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
  empty: { width: 76, height: 52, borderRadius: radius.m, borderWidth: 1.5, borderStyle: 'dashed', borderColor: colour.unknown },
  name: { textAlign: 'center' },
});
