import type { OfficeRecovery } from '@plesion/contract';
import { readBack } from '@plesion/core/fieldwork';
import { StyleSheet } from 'react-native';
import { sayDate } from '../../lib/dates';
import { colour, space } from '../../theme';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { sayWay } from './words';

/** A ring that somebody came upon: who found it, who knew what it was, and how far it had come since it was last here. */
export function RecoveryRow({ recovery }: { recovery: OfficeRecovery }) {
  const { ring, foundOn, place, finder, identifier, what, days, km, bearing } = recovery;
  return (
    <LinkBox href={`/field/rings/${encodeURIComponent(ring)}`} style={styles.row}>
      <Text strong figures>
        {readBack(ring)}
      </Text>
      <Text size="small">{`${what}, ${place}, ${sayDate(foundOn)}`}</Text>
      <Text size="small" quiet>
        {[days !== undefined && sayWay({ days, km, bearing }), `found by ${finder}`, `named by ${identifier}`]
          .filter(Boolean)
          .join(' · ')}
      </Text>
    </LinkBox>
  );
}

const styles = StyleSheet.create({
  row: { paddingVertical: space.xs, gap: 2, borderTopWidth: 1, borderColor: colour.mist, justifyContent: 'center' },
});
