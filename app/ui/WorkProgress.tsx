import { StyleSheet, View } from 'react-native';
import { colour, space } from '../theme';
import { Button } from './Button';
import { Text } from './Text';

/** How far it is, and the way to stop it. */
export function WorkProgress({ what, share, onCancel }: { what: string; share: number; onCancel: () => void }) {
  const percent = Math.round(share * 100);
  return (
    <View style={styles.foot}>
      <View style={styles.grow}>
        <Text size="small">{`${what}, ${percent} in 100 done`}</Text>
        <View
          role="progressbar"
          aria-valuenow={percent}
          aria-valuemin={0}
          aria-valuemax={100}
          aria-label={what}
          style={styles.track}
        >
          <View style={[styles.bar, { width: `${percent}%` }]} />
        </View>
      </View>
      <Button label="Stop" onPress={onCancel} />
    </View>
  );
}

const styles = StyleSheet.create({
  foot: { flexDirection: 'row', alignItems: 'center', gap: space.m },
  grow: { flex: 1, gap: space.xs },
  track: { height: 10, borderRadius: 5, backgroundColor: colour.mist, overflow: 'hidden' },
  bar: { height: 10, borderRadius: 5, backgroundColor: colour.kelp },
});
