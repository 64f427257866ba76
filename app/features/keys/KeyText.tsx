import type { Guide } from '@plesion/core/guide';
import { type Key, printStatements } from '@plesion/core/keys';
import type { Href } from 'expo-router';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme';
import { Box } from '../../ui/Box';
import { LinkBox } from '../../ui/LinkBox';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { Text } from '../../ui/Text';
import { TermText } from '../glossary/TermText';
import { DestinationName } from './DestinationName';

/** Couplets shown at once. */
const PORTION = 40;

interface KeyTextProps {
  keyed: Key;
  guide?: Guide;
  /** Where a couplet leads on to; a key that is only looked at leads nowhere. */
  hrefOf?: (couplet: string) => Href;
}

/** The key as it is read: couplet by couplet, terms open in place. */
export function KeyText({ keyed, guide, hrefOf }: KeyTextProps) {
  const [shown, setShown] = useState(PORTION);
  return (
    <Card title="Couplets">
      {keyed.couplets.slice(0, shown).map((couplet) => (
        <Stack key={couplet.id} nativeID={`couplet-${couplet.number}`} padBottom="m" ruled="below" ruledIn="hairline">
          {couplet.leads.map((lead) => (
            <Row key={lead.id} oneLine>
              <CoupletNumber number={couplet.number} lead={lead.id} href={hrefOf?.(couplet.id)} />
              <Stack gap="hair" fill>
                <TermText guide={guide} text={printStatements(lead.statements) || '…'} />
                <Row align="center" oneLine>
                  <View style={styles.dots} />
                  <DestinationName guide={guide} keyed={keyed} to={lead.to} />
                </Row>
              </Stack>
            </Row>
          ))}
          {couplet.note && (
            <Box padLeft="xxl">
              <Text size="small" quiet>
                {couplet.note}
              </Text>
            </Box>
          )}
        </Stack>
      ))}
      {keyed.couplets.length > shown && (
        <Button
          small
          label={`Show the next ${Math.min(PORTION, keyed.couplets.length - shown)} of ${keyed.couplets.length}`}
          onPress={() => setShown(shown + PORTION)}
        />
      )}
    </Card>
  );
}

function CoupletNumber({ number, lead, href }: { number: string; lead: string; href?: Href }) {
  const said = (
    <Text strong color={colour.kelp}>
      {`${number}${lead}`}
    </Text>
  );
  if (!href)
    return (
      <Box wide={40} leastTall={24}>
        {said}
      </Box>
    );
  return (
    <LinkBox label={`${number}${lead}: walk from couplet ${number}`} href={href} wide={40} leastTall={24}>
      {said}
    </LinkBox>
  );
}

const styles = StyleSheet.create({
  dots: { flex: 1, borderBottomWidth: 1, borderStyle: 'dotted', borderColor: colour.unknown, height: 8 },
});
