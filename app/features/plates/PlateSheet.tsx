import type { Plate } from '@plesion/core/plates';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Words } from '../../ui/Words';
import { PlateView } from './PlateView';

interface PlateSheetProps {
  plate: Plate;
  width: number;
  label: string;
  caption: string;
}

const SCALE_MM = 10;

/** A plate on its own paper, with a caption and a scale bar. */
export function PlateSheet({ plate, width, label, caption }: PlateSheetProps) {
  return (
    <View style={styles.sheet}>
      <PlateView plate={plate} width={width} height={(width * plate.box.height) / plate.box.width} label={label} />
      <View style={styles.foot}>
        <Words size="small" quiet>
          {caption}
        </Words>
        <View style={styles.scale}>
          <View style={[styles.bar, { width: (SCALE_MM * width) / plate.box.width }]} />
          <Words size="small" quiet>{`${SCALE_MM} mm`}</Words>
        </View>
      </View>
    </View>
  );
}

const styles = StyleSheet.create({
  sheet: {
    backgroundColor: colour.paper,
    borderRadius: radius.l,
    borderWidth: 1,
    borderColor: colour.hairline,
    padding: space.s,
    justifyContent: 'space-between',
  },
  foot: { flexDirection: 'row', justifyContent: 'space-between', alignItems: 'flex-end', padding: space.s },
  scale: { alignItems: 'flex-end' },
  bar: { height: 6, borderLeftWidth: 1.5, borderRightWidth: 1.5, borderBottomWidth: 1.5, borderColor: colour.ink },
});
