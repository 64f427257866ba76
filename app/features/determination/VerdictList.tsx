import type { Standing } from '@plesion/core/evidence';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

/** Level by level: yes with what it rests on, or no with what it needs. */
export function VerdictList({ verdicts }: { verdicts: Standing['call']['verdicts'] }) {
  return (
    <Stack role="list">
      {verdicts.map((verdict) => (
        <Row key={`${JSON.stringify(verdict.level)}`} role="listitem" gap="m" align="start" oneLine>
          <View style={[styles.sign, verdict.passes ? styles.yes : styles.no]} />
          <Box fill>
            <Text>{verdict.text}</Text>
            {verdict.weighText && (
              <Text size="small" quiet>
                {`Weighing all characters would say: ${verdict.weighText}`}
              </Text>
            )}
          </Box>
        </Row>
      ))}
    </Stack>
  );
}

const styles = StyleSheet.create({
  sign: { width: 14, height: 14, marginTop: 4 },
  yes: { backgroundColor: colour.kelp, borderRadius: 7 },
  no: { borderWidth: 2, borderColor: colour.unknown, transform: [{ rotate: '45deg' }] },
});
