import type { KeyGuideView } from '@plesion/contract/authoring';
import type { ContrastTold } from '@plesion/core/authoring';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';

/** Shown at once; more when asked. */
const SHOWN = 6;

interface Props {
  view: KeyGuideView;
  onJoin: (a: string, b: string) => void;
}

/** Characters that may be one, with the texts side by side. */
export function MayBeOne({ view: { characters, proposals }, onJoin }: Props) {
  const [shown, setShown] = useState(SHOWN);
  if (proposals.length === 0) return null;
  const byContrast = new Map(
    characters.flatMap(({ label, contrasts }) => contrasts.map((contrast) => [contrast.id, { label, contrast }] as const)),
  );
  return (
    <Card title="These may be one character" aside={`${proposals.length}`}>
      {proposals.slice(0, shown).map(({ a, b, why }) => {
        const [one, other] = [byContrast.get(a), byContrast.get(b)];
        return (
          one &&
          other && (
            <Stack key={`${a} ${b}`} padY="s" ruled="above">
              <Row gap="m" oneLine>
                <Beside label={one.label} contrast={one.contrast} />
                <Beside label={other.label} contrast={other.contrast} />
              </Row>
              <Row align="center">
                <Text size="small" quiet fill={120}>
                  {why}
                </Text>
                <Button small label="Join" hint={`Join ${one.label} and ${other.label}`} onPress={() => onJoin(a, b)} />
              </Row>
            </Stack>
          )
        );
      })}
      {proposals.length > shown && (
        <Button small kind="quiet" label={`${proposals.length - shown} more`} onPress={() => setShown(proposals.length)} />
      )}
    </Card>
  );
}

function Beside({ label, contrast: { couplet, sides } }: { label: string; contrast: ContrastTold }) {
  return (
    <Stack gap="hair" fill>
      <Text strong>{label}</Text>
      {sides.map(({ lead, text }) => (
        <Text key={lead} size="small">{`${couplet}${lead} ${text}`}</Text>
      ))}
    </Stack>
  );
}
