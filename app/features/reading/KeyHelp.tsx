import { useEffect } from 'react';
import { StyleSheet, View } from 'react-native';
import { listenToKeys } from '../../lib/keyboard';
import { colour, radius, space } from '../../theme/index';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

/** What the keys do; Escape puts it away. */
export function KeyHelp({ keys: list, onClose }: { keys: readonly [keys: string, what: string][]; onClose: () => void }) {
  useEffect(() => listenToKeys((event) => event.key === 'Escape' && onClose()), [onClose]);
  return (
    <Card title="By keyboard" aside={<Button small kind="quiet" label="Hide" onPress={onClose} />}>
      {list.map(([keys, what]) => (
        <Row key={keys} gap="m" align="center" oneLine>
          <View style={styles.key}>
            <Text size="small" strong>
              {keys}
            </Text>
          </View>
          <Text size="small">{what}</Text>
        </Row>
      ))}
    </Card>
  );
}

const styles = StyleSheet.create({
  key: {
    minWidth: 72,
    paddingHorizontal: space.s,
    paddingVertical: 2,
    borderRadius: radius.s,
    backgroundColor: colour.mist,
    alignItems: 'center',
  },
});
