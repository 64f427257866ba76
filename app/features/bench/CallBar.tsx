import type { Standing } from '@plesion/core/evidence';
import { useRouter } from 'expo-router';
import { memo, useState } from 'react';
import { useTight } from '../../theme/appearance';
import { Announce } from '../../ui/Announce';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

interface CallBarProps {
  id: string;
  answer?: Standing;
  keys?: () => void;
}

/** What may be said now, and the way to say it. Where there is little room it is a line that unfolds. */
export const CallBar = memo(function CallBar({ id, answer, keys }: CallBarProps) {
  const router = useRouter();
  const tight = useTight();
  const [open, setOpen] = useState(false);
  const text = answer?.call.text ?? 'Weighing …';
  const folded = tight && !open;
  return (
    <Row gap="m" align="center" justify="end">
      {folded ? (
        <Announce>{text}</Announce>
      ) : (
        <Box role="status" aria-live="polite" fill={180}>
          <Text size="small" numberOfLines={4} testID="call">
            {text}
          </Text>
          {answer?.call.proviso && (
            <Text size="small" quiet>
              {answer.call.proviso}
            </Text>
          )}
        </Box>
      )}
      {tight && (
        <Button
          small
          kind="quiet"
          label={open ? 'Fold' : 'The call'}
          hint={open ? 'Fold the call' : 'Show the call'}
          onPress={() => setOpen(!open)}
        />
      )}
      {keys && <Button small kind="quiet" label="?" hint="Show the keys" onPress={keys} />}
      <Button kind="main" label="Write down" onPress={() => router.push(`/specimens/${id}/name`)} />
    </Row>
  );
});
