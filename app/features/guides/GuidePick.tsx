import type { GuideRow } from '@plesion/contract';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Picker } from '../../ui/Picker';
import { Text } from '../../ui/Text';
import { WithdrawnNotice } from '../sharing/WithdrawnNotice';
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

/** Which guide: each by a drawing of what it is about; of many, those that are called so. */
export function GuidePick({ rows, chosen, onChange, without }: GuidePickProps) {
  const guides = rows.map(({ id, title, group, area }) => ({ id, label: title, words: `${group} ${area}` }));
  const items = without ? [...guides, { id: NO_GUIDE, label: 'No guide: named by a key alone, or by hand' }] : guides;
  return (
    <>
      <Picker
        label="Guide"
        items={items}
        chosen={chosen}
        onChange={onChange}
        itemStyle={(on) => [styles.tile, on && styles.on]}
        draw={({ id }, on) =>
          id === NO_GUIDE ? (
            <>
              <View style={styles.empty} />
              <TileName on={on}>no guide</TileName>
            </>
          ) : (
            <>
              <GuideFigure id={id} width={88} height={60} />
              <TileName on={on}>{rows.find((row) => row.id === id)!.group.replace(/\s*\(.*\)$/, '')}</TileName>
            </>
          )
        }
      />
      <WithdrawnNotice guideId={chosen} />
    </>
  );
}

const TileName = ({ on, children }: { on: boolean; children: string }) => (
  <Text size="small" strong={on} color={on ? colour.kelp : colour.ink} numberOfLines={2} set="centre">
    {children}
  </Text>
);

const styles = StyleSheet.create({
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
});
