import type { CalledPair } from '@plesion/contract/calibration';
import { shortName, taxonIndex } from '@plesion/core/guide';
import { useState } from 'react';
import { Pressable, ScrollView, StyleSheet, View } from 'react-native';
import { colour, font, radius, space, TOUCH } from '../../theme';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { useGuidesWhole } from '../records/useGuide';

/** More taxa than this make no grid that is read at a glance. */
const MOST = 12;

/** What was called what, of one guide, as a grid: a row for each name, a column for what it was. Touch a cell: its records. */
export function CalledGrid({ pairs }: { pairs: readonly CalledPair[] }) {
  const [open, setOpen] = useState<string>();
  const guides = [...new Set(pairs.map(({ guideId }) => guideId))];
  const guide = useGuidesWhole(guides.length === 1 ? guides : []).at(0)?.guide;
  if (!guide) return null;
  const there = new Set(pairs.flatMap(({ called, truth }) => [called, truth]));
  // In the guide's own order: those that are alike lie near each other.
  const taxa = guide.taxa.filter(({ id }) => there.has(id));
  if (taxa.length < 2 || taxa.length > MOST) return null;
  const index = taxonIndex(guide);
  const short = (id: string) => shortName(index.get(id)?.name ?? id);
  const cell = (called: string, truth: string) => {
    const own = pairs.filter((pair) => pair.called === called && pair.truth === truth);
    return {
      n: own.reduce((sum, pair) => sum + pair.n, 0),
      wrong: own.some(({ right }) => !right),
      specimens: own.flatMap(({ specimens }) => specimens),
    };
  };
  const shown = open?.split(' ');
  const held = shown && cell(shown[0], shown[1]);
  return (
    <Card title="Called, and what it was">
      <ScrollView horizontal>
        <View role="table" aria-label="Called (rows), and what it was (columns)">
          <Row role="row" oneLine gap="none">
            <View role="columnheader" style={styles.name}>
              <Text size="small" quiet>
                called ↓ was →
              </Text>
            </View>
            {taxa.map(({ id }) => (
              <View key={id} role="columnheader" style={styles.cell}>
                <Text size="small" style={styles.italic}>
                  {short(id)}
                </Text>
              </View>
            ))}
          </Row>
          {taxa.map(({ id: called }) => (
            <Row key={called} role="row" oneLine gap="none">
              <View role="rowheader" style={styles.name}>
                <Text size="small" style={styles.italic}>
                  {short(called)}
                </Text>
              </View>
              {taxa.map(({ id: truth }) => {
                const { n, wrong } = cell(called, truth);
                const key = `${called} ${truth}`;
                return (
                  <View key={truth} role="cell" style={styles.cell}>
                    {n > 0 && (
                      <Pressable
                        role="button"
                        aria-expanded={open === key}
                        accessibilityLabel={`${n} called ${short(called)}, was ${short(truth)}: show the records`}
                        onPress={() => setOpen(open === key ? undefined : key)}
                        style={[styles.count, wrong ? styles.wrong : styles.right, open === key && styles.open]}
                      >
                        <Text strong figures color={wrong ? colour.hazard : colour.kelp}>
                          {n}
                        </Text>
                      </Pressable>
                    )}
                  </View>
                );
              })}
            </Row>
          ))}
        </View>
      </ScrollView>
      {held && shown && (
        <Row gap="m" lineGap="none" align="center">
          {held.specimens.map((id, i) => (
            <LinkBox
              key={id}
              href={`/specimens/${id}`}
              justify="center"
              least="touch"
              label={`Record ${i + 1}: called ${short(shown[0])}, was ${short(shown[1])}`}
            >
              <Text size="small" strong color={colour.kelp}>{`Record ${i + 1}`}</Text>
            </LinkBox>
          ))}
          {held.n > held.specimens.length && <Text size="small" quiet>{`and ${held.n - held.specimens.length} more`}</Text>}
        </Row>
      )}
    </Card>
  );
}

const styles = StyleSheet.create({
  name: { width: 108, justifyContent: 'center', paddingRight: space.s },
  cell: {
    width: 76,
    minHeight: TOUCH + 4,
    alignItems: 'center',
    justifyContent: 'center',
    borderBottomWidth: 1,
    borderColor: colour.mist,
  },
  italic: { fontFamily: font.name },
  count: { width: TOUCH, height: TOUCH, alignItems: 'center', justifyContent: 'center', borderRadius: radius.s, borderWidth: 1 },
  right: { borderColor: colour.hairline, backgroundColor: colour.kelpWash },
  // Told apart without colour by its edge.
  wrong: { borderColor: colour.hazard, borderStyle: 'dashed' },
  open: { borderWidth: 2.5, borderStyle: 'solid' },
});
