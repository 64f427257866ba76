import type { Guide } from '@plesion/core/guide';
import { type Key, printStatements } from '@plesion/core/keys';
import { useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';
import { TermText } from '../glossary/TermText';
import { DestinationName } from './DestinationName';

/** Couplets shown at once. */
const PORTION = 40;

/** The key as it is read: couplet by couplet, terms open in place. */
export function KeyText({ keyed, guide, onOpen }: { keyed: Key; guide?: Guide; onOpen: (couplet: string) => void }) {
  const [shown, setShown] = useState(PORTION);
  return (
    <Card title="Couplets">
      {keyed.couplets.slice(0, shown).map((couplet) => (
        <View key={couplet.id} nativeID={`couplet-${couplet.number}`} style={styles.couplet}>
          {couplet.leads.map((lead) => (
            <View key={lead.id} style={styles.lead}>
              <Pressable
                role="link"
                accessibilityLabel={`Walk from couplet ${couplet.number}`}
                onPress={() => onOpen(couplet.id)}
                style={styles.character}
              >
                <Text strong color={colour.kelp}>
                  {`${couplet.number}${lead.id}`}
                </Text>
              </Pressable>
              <View style={styles.words}>
                <TermText guide={guide} text={printStatements(lead.statements) || '…'} />
                <View style={styles.to}>
                  <View style={styles.dots} />
                  <DestinationName guide={guide} keyed={keyed} to={lead.to} />
                </View>
              </View>
            </View>
          ))}
          {couplet.note && (
            <Text size="small" quiet style={styles.note}>
              {couplet.note}
            </Text>
          )}
        </View>
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

const styles = StyleSheet.create({
  couplet: { gap: space.s, paddingBottom: space.m, borderBottomWidth: 1, borderColor: colour.hairline },
  lead: { flexDirection: 'row', gap: space.s },
  character: { width: 40, minHeight: 24 },
  words: { flex: 1, gap: 2 },
  to: { flexDirection: 'row', alignItems: 'center', gap: space.s },
  dots: { flex: 1, borderBottomWidth: 1, borderStyle: 'dotted', borderColor: colour.unknown, height: 8 },
  note: { paddingLeft: 48 },
});
