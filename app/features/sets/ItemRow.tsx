import type { Guide } from '@plesion/core/guide';
import type { Item } from '@plesion/core/practice';
import type { ReactNode } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { itemPlate } from '../practice/itemPlate';

const WIDE = 150;
const TALL = 110;

/** An item of a set, drawn small, with what is said of it beside. */
export function ItemRow({ guide, item, children }: { guide: Guide; item: Item; children: ReactNode }) {
  const plate = itemPlate(guide, item);
  return (
    <View style={styles.item}>
      <View style={styles.plate}>
        <PlateView plate={plate} {...overPlate(plate, WIDE, TALL)} />
      </View>
      <View style={styles.grow}>{children}</View>
    </View>
  );
}

const styles = StyleSheet.create({
  item: {
    flexDirection: 'row',
    flexWrap: 'wrap',
    alignItems: 'center',
    gap: space.m,
    borderTopWidth: 1,
    borderColor: colour.mist,
    paddingVertical: space.s,
  },
  plate: { width: WIDE, alignItems: 'center' },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 180 },
});
