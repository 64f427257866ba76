import type { Standing } from '@plesion/core/evidence';
import { inHundred } from '@plesion/core/evidence';
import type { Guide } from '@plesion/core/guide';
import { memo, useState } from 'react';
import { ScrollView, StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Box } from '../../ui/Box';
import { PressBox } from '../../ui/PressBox';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';

const WORDS = { grave: 'Danger', serious: 'Danger', slight: 'Take care' } as const;
const KINDS = { venom: 'venom', toxin: 'poison', irritant: 'blisters skin', bite: 'bites or pinches' } as const;

/** The share of the window the words may take before they are scrolled: below it is what one works with. */
const MOST = 0.22;

interface DangerNoticeProps {
  guide: Guide;
  answer?: Standing;
  /** Begin as one line: where the whole of it was shown a moment ago. */
  folded?: boolean;
}

/**
 * Stands above everything else while a dangerous form is possible. It can be
 * folded to one line to make room, and never goes away before the danger does.
 * A slight hazard begins folded, so that a grave one is not overlooked for being usual.
 */
export const DangerNotice = memo(function DangerNotice({ guide, answer, folded }: DangerNoticeProps) {
  const worst = answer?.hazards[0];
  // A danger that comes up anew is shown as it first would be, whatever was folded before.
  const [turned, setTurned] = useState<string>();
  const { height } = useWindowDimensions();
  if (!answer || !worst) return null;
  const key = answer.hazards.map(({ taxon, kind }) => `${taxon} ${kind}`).join();
  const whole = !folded && worst.grade !== 'slight';
  const open = turned === key ? !whole : whole;
  return (
    <View role="alert" style={styles.notice} testID="danger">
      <View style={[styles.notch, styles.left]} />
      <View style={[styles.notch, styles.right]} />
      <PressBox
        role="button"
        aria-expanded={open}
        onPress={() => setTurned(turned === key ? undefined : key)}
        gap="m"
        align="center"
        padX="l"
        padY="s"
        touch
        across
      >
        <View style={styles.word}>
          <Text strong color={colour.sheet}>
            {WORDS[worst.grade]}
          </Text>
        </View>
        <Box fill least={160}>
          <TaxonName guide={guide} taxon={worst.taxon} short size={17} color={colour.hazard} lines={1} />
          <Text size="small" color={colour.hazard} strong>
            {`${KINDS[worst.kind]} · possible, ${inHundred(worst.p)}`}
          </Text>
        </Box>
        <Text size="small" strong color={colour.hazard}>
          {open ? 'less' : 'more'}
        </Text>
      </PressBox>
      {open && (
        <ScrollView style={{ maxHeight: MOST * height }} contentContainerStyle={styles.body} tabIndex={0}>
          {answer.hazards.map((hazard) => (
            <View key={`${hazard.taxon} ${hazard.kind}`} style={styles.one}>
              {hazard !== worst && (
                <Text size="small" strong color={colour.hazard}>
                  {`${hazard.name}: ${KINDS[hazard.kind]}, ${inHundred(hazard.p)}`}
                </Text>
              )}
              <Text size="small">{hazard.text}</Text>
              <Text size="small" strong>
                {hazard.advice}
              </Text>
              {hazard.legal && (
                <Text size="small" quiet>
                  {`${hazard.legal} Local law decides.`}
                </Text>
              )}
            </View>
          ))}
          {answer.withheld.reason && <Text size="small">{answer.withheld.reason}</Text>}
        </ScrollView>
      )}
    </View>
  );
});

/** What may be said once no dangerous form is left, and no more than that. */
export function NotAmongDangerous({ guide, answer }: { guide: Guide; answer: Standing }) {
  const dangerous = guide.taxa.some((taxon) => taxon.hazards?.some(({ grade }) => grade !== 'slight'));
  if (!dangerous || answer.hazards.some(({ grade }) => grade !== 'slight')) return null;
  return (
    <Text size="small" quiet>
      Not among the dangerous forms of this guide, if the readings are right.
    </Text>
  );
}

const styles = StyleSheet.create({
  notice: {
    backgroundColor: colour.hazardWash,
    borderWidth: 2.5,
    borderColor: colour.hazard,
    borderRadius: radius.m,
    margin: space.s,
    overflow: 'hidden',
  },
  notch: {
    position: 'absolute',
    top: -12,
    width: 24,
    height: 24,
    backgroundColor: colour.hazard,
    transform: [{ rotate: '45deg' }],
  },
  left: { left: -12 },
  right: { right: -12 },
  word: { backgroundColor: colour.hazard, borderRadius: 6, paddingHorizontal: space.s + 2, paddingVertical: 2 },
  body: { paddingHorizontal: space.l, paddingBottom: space.m, gap: space.s },
  one: { gap: 3 },
});
