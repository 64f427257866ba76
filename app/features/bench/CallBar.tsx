import type { Standing } from '@plesion/core/evidence';
import { useRouter } from 'expo-router';
import { StyleSheet, View } from 'react-native';
import { space } from '../../theme';
import { Button } from '../../ui/Button';
import { Text } from '../../ui/Text';

/** What may be said now, and the way to say it. */
export function CallBar({ id, answer, keys }: { id: string; answer?: Standing; keys?: () => void }) {
  const router = useRouter();
  return (
    <View style={styles.callBar}>
      <View role="status" aria-live="polite" style={styles.fill}>
        <Text size="small" numberOfLines={4} testID="call">
          {answer?.call.text ?? 'Weighing …'}
        </Text>
        {answer?.call.proviso && (
          <Text size="small" quiet>
            {answer.call.proviso}
          </Text>
        )}
      </View>
      {keys && <Button small kind="quiet" label="?" hint="Show the keys" onPress={keys} />}
      <Button kind="main" label="Write down" onPress={() => router.push(`/specimens/${id}/name`)} />
    </View>
  );
}

const styles = StyleSheet.create({
  fill: { flex: 1 },
  callBar: { flexDirection: 'row', alignItems: 'center', gap: space.m },
});
