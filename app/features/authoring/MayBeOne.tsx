import type { KeyGuideView } from '@plesion/contract/authoring';
import type { ContrastTold } from '@plesion/core/authoring';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
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
            <View key={`${a} ${b}`} style={styles.proposal}>
              <Row gap="m" oneLine>
                <Beside label={one.label} contrast={one.contrast} />
                <Beside label={other.label} contrast={other.contrast} />
              </Row>
              <Row align="center">
                <Text size="small" quiet style={styles.grow}>
                  {why}
                </Text>
                <Button small label="Join" hint={`Join ${one.label} and ${other.label}`} onPress={() => onJoin(a, b)} />
              </Row>
            </View>
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
    <View style={styles.side}>
      <Text strong>{label}</Text>
      {sides.map(({ lead, text }) => (
        <Text key={lead} size="small">{`${couplet}${lead} ${text}`}</Text>
      ))}
    </View>
  );
}

const styles = StyleSheet.create({
  proposal: { gap: space.s, borderTopWidth: 1, borderColor: colour.mist, paddingVertical: space.s },
  side: { flex: 1, gap: 2, minWidth: 0 },
  grow: { flexGrow: 1, flexShrink: 1, flexBasis: 120 },
});
