import type { Standing } from '@plesion/core/evidence';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Text } from '../../ui/Text';

/** Level by level: yes with what it rests on, or no with what it needs. */
export function VerdictList({ verdicts }: { verdicts: Standing['call']['verdicts'] }) {
  return (
    <View role="list" style={styles.list}>
      {verdicts.map((verdict) => (
        <View key={`${JSON.stringify(verdict.level)}`} role="listitem" style={styles.row}>
          <View style={[styles.sign, verdict.passes ? styles.yes : styles.no]} />
          <View style={styles.text}>
            <Text>{verdict.text}</Text>
            {verdict.weighText && (
              <Text size="small" quiet>
                {`Weighing all characters would say: ${verdict.weighText}`}
              </Text>
            )}
          </View>
        </View>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  list: { gap: space.s },
  row: { flexDirection: 'row', gap: space.m, alignItems: 'flex-start' },
  sign: { width: 14, height: 14, marginTop: 4 },
  yes: { backgroundColor: colour.kelp, borderRadius: 7 },
  no: { borderWidth: 2, borderColor: colour.unknown, transform: [{ rotate: '45deg' }] },
  text: { flex: 1 },
});
