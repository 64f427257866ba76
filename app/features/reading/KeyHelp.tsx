import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme/index';
import { Button } from '../../ui/Button';
import { Sheet } from '../../ui/Sheet';
import { Words } from '../../ui/Words';

export function KeyHelp({ keys: list, onClose }: { keys: readonly [keys: string, what: string][]; onClose: () => void }) {
  return (
    <Sheet title="By keyboard" aside={<Button small kind="quiet" label="Hide" onPress={onClose} />}>
      {list.map(([keys, what]) => (
        <View key={keys} style={styles.row}>
          <View style={styles.key}>
            <Words size="small" strong>
              {keys}
            </Words>
          </View>
          <Words size="small">{what}</Words>
        </View>
      ))}
    </Sheet>
  );
}

const styles = StyleSheet.create({
  row: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  key: {
    minWidth: 72,
    paddingHorizontal: space.s,
    paddingVertical: 2,
    borderRadius: radius.s,
    backgroundColor: colour.mist,
    alignItems: 'center',
  },
});
