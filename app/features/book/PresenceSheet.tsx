import { type Place, presenceOf } from '@plesion/core/book';
import { type CompiledGuide, SHORT_MONTHS } from '@plesion/core/guide';
import { StyleSheet, View } from 'react-native';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';

/** Where, when and with what a form is met. */
export function PresenceSheet({ compiled, form }: { compiled: CompiledGuide; form: number }) {
  const { months, regions, habitats, company } = presenceOf(compiled, form);
  if (!months && regions.length + habitats.length + company.length === 0) return null;
  return (
    <Card title="Where and when">
      {months && <Year months={months} />}
      <Row gap="l">
        <Places title="Region" places={regions} />
        <Places title="Habitat" places={habitats} />
        <Places title="Company" places={company} />
      </Row>
    </Card>
  );
}

function Year({ months }: { months: readonly number[] }) {
  const best = months.flatMap((level, i) => (level >= 0.5 ? [SHORT_MONTHS[i]] : []));
  return (
    <Row role="img" aria-label={`Met most in ${best.join(', ')}`} gap="xs" align="end" oneLine>
      {months.map((level, i) => (
        <View key={SHORT_MONTHS[i]} style={styles.month}>
          <View style={styles.column}>
            <View style={[styles.level, { height: `${Math.max(2, level * 100)}%` }]} />
          </View>
          <Text size="small" quiet>
            {SHORT_MONTHS[i][0]}
          </Text>
        </View>
      ))}
    </Row>
  );
}

function Places({ title, places }: { title: string; places: readonly Place[] }) {
  if (places.length === 0) return null;
  return (
    <View style={styles.place}>
      <Text size="small" strong>
        {title}
      </Text>
      {places.map(({ id, label, frequency }) => (
        <Row key={id} oneLine>
          <Text size="small" style={styles.grow}>
            {label}
          </Text>
          <Text size="small" quiet>
            {sayFrequency(frequency)}
          </Text>
        </Row>
      ))}
    </View>
  );
}

function sayFrequency(frequency: number | undefined): string {
  if (frequency === undefined) return 'no record';
  if (frequency >= 0.7) return 'common';
  if (frequency >= 0.35) return 'fairly common';
  if (frequency >= 0.1) return 'scarce';
  return frequency > 0.02 ? 'rare' : 'hardly ever';
}

const styles = StyleSheet.create({
  month: { flex: 1, alignItems: 'center', gap: 2 },
  column: {
    width: '100%',
    height: 54,
    justifyContent: 'flex-end',
    backgroundColor: colour.kelpWash,
    borderRadius: 4,
    overflow: 'hidden',
  },
  level: { backgroundColor: colour.kelp },
  place: { flexGrow: 1, flexBasis: 200, gap: 2 },
  grow: { flex: 1 },
});
