import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme/index';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';

export function KeyHelp({ keys: list, onClose }: { keys: readonly [keys: string, what: string][]; onClose: () => void }) {
  return (
    <Card title="By keyboard" aside={<Button small kind="quiet" label="Hide" onPress={onClose} />}>
      {list.map(([keys, what]) => (
        <View key={keys} style={styles.row}>
          <View style={styles.key}>
            <Text size="small" strong>
              {keys}
            </Text>
          </View>
          <Text size="small">{what}</Text>
        </View>
      ))}
    </Card>
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
