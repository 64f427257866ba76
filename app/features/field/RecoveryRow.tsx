import type { OfficeRecovery } from '@plesion/contract';
import { readBack } from '@plesion/core/fieldwork';
import { sayDate } from '../../lib/dates';
import { LinkBox } from '../../ui/LinkBox';
import { Text } from '../../ui/Text';
import { sayWay } from './words';

/** A ring that somebody came upon: who found it, who knew what it was, and how far it had come since it was last here. */
export function RecoveryRow({ recovery }: { recovery: OfficeRecovery }) {
  const { ring, foundOn, place, finder, identifier, what, days, km, bearing } = recovery;
  return (
    <LinkBox href={`/field/rings/${encodeURIComponent(ring)}`} gap="hair" justify="center" padY="xs" ruled="above">
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
