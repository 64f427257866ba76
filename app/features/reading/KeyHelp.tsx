import { useEffect } from 'react';
import { listenToKeys } from '../../lib/keyboard';
import { Box } from '../../ui/Box';
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
          <Box align="center" least={72} padX="s" padY="hair" round="s" tone="mist">
            <Text size="small" strong>
              {keys}
            </Text>
          </Box>
          <Text size="small">{what}</Text>
        </Row>
      ))}
    </Card>
  );
}
