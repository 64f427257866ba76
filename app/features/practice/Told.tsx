import type { ScoredAnswer } from '@plesion/contract';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, isUnder } from '@plesion/core/guide';
import type { Item } from '@plesion/core/practice';
import { useEffect } from 'react';
import { StyleSheet, useWindowDimensions, View } from 'react-native';
import { colour, space } from '../../theme';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { focusHeading } from '../../ui/PageHeading';
import { Text } from '../../ui/Text';
import { formPlate, hasView, overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { compiledOf } from '../records/compiled';

interface ToldProps {
  guide: Guide;
  item: Item;
  scored: ScoredAnswer;
  said: string[];
  onNext: () => void;
}

/** Readings shown: those that tell most, and what misled. */
const MOST = 5;
const MISLEADS = -0.5;
const TALLEST = 200;

/** The truth, and why. */
export function Told({ guide, item, scored, said, onNext }: ToldProps) {
  const { width } = useWindowDimensions();
  const group = (id: string) => sayGroup(guide, item.choices.find((one) => one.id === id) ?? { id, label: id });
  const { why, best } = scored;
  const otherForm = why && formOf(guide, why.other.id, item.view);
  const other = otherForm ? formPlate(guide, otherForm, item.view, 'full') : undefined;
  const size = other && overPlate(other, Math.min(360, width - 4 * space.m), TALLEST);
  const readings = (why?.readings ?? []).filter(({ bits }, i) => (i < MOST && bits > 0.05) || bits < MISLEADS);
  useEffect(() => focusHeading(), []);
  return (
    <Card title={scored.right ? 'Right' : said.length ? 'Not that' : 'It could be told'}>
      <Text size="lead" strong color={scored.right ? colour.kelp : colour.hazard} role="status">
        {`It is the ${group(item.truth.group)}.`}
      </Text>
      <Text>{sayBest(best, group)}</Text>
      {why?.remember && <Text strong>{why.remember}</Text>}
      {why && readings.length > 0 && (
        <View>
          <Text size="small" quiet>{`What each mark says for it, against ${group(why.other.id)}:`}</Text>
          {readings.map(({ reading, bits }) => (
            <View key={reading.character} style={styles.reading}>
              <Text size="small" style={styles.grow}>
                {sayReading(guide, reading)}
              </Text>
              <Text size="small" strong figures color={bits < 0 ? colour.hazard : colour.kelp}>
                {`${bits > 0 ? '+' : '−'}${Math.abs(bits).toFixed(1)} bits`}
              </Text>
            </View>
          ))}
        </View>
      )}
      {other && size && (
        <View style={styles.other}>
          <PlateView
            plate={other}
            width={size.width}
            height={size.height}
            label={`A usual ${group(why!.other.id)}, the same view`}
          />
          <Text size="small" quiet>{`A usual ${group(why!.other.id)}`}</Text>
        </View>
      )}
      <Text size="small" quiet>
        {`Your answer gave the truth ${inHundred(scored.p)}, ${scored.bits >= 0 ? `${scored.bits.toFixed(1)} bits better than not knowing` : `${(-scored.bits).toFixed(1)} bits worse than not knowing`}.`}
      </Text>
      <View style={styles.foot}>
        <Button kind="main" label="Next" onPress={onNext} />
      </View>
    </Card>
  );
}

/** A group as one would say it: by its vernacular name where it has one. */
export const sayGroup = (guide: Guide, { id, label }: { id: string; label: string }): string =>
  guide.taxa.find((taxon) => taxon.id === id)?.vernacular ?? label;

/** A form that stands for a group of a rank, where the view shows it. */
const formOf = (guide: Guide, taxon: string, view: string): string | undefined =>
  compiledOf(guide).forms.find((form) => isUnder(guide, form.taxon, taxon) && hasView(guide, form.id, view))?.id;

function sayBest({ kind, groups, p }: ScoredAnswer['best'], group: (id: string) => string): string {
  if (kind === 'one') return `The drawing tells it: ${inHundred(p)}.`;
  if (kind === 'either') return `The drawing leaves ${groups.map(group).join(' or ')}: ${inHundred(p)} for both.`;
  return `It cannot be told from this drawing: what leads has ${inHundred(p)}.`;
}

function sayReading(guide: Guide, { character, states, value }: Item['truth']['readings'][number]): string {
  const known = guide.characters.find(({ id }) => id === character);
  const state = known?.states?.find(({ id }) => id === states?.[0])?.label ?? states?.[0];
  return `${known?.label ?? character}: ${state ?? (Number.isInteger(value) ? value : value?.toPrecision(3))}`;
}

const styles = StyleSheet.create({
  reading: { flexDirection: 'row', gap: space.m, paddingVertical: 2, borderTopWidth: 1, borderColor: colour.mist },
  grow: { flex: 1 },
  other: { alignItems: 'center', gap: space.xs },
  foot: { flexDirection: 'row', justifyContent: 'flex-end' },
});
