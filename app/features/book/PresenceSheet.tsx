import { type Place, presenceOf } from '@plesion/core/book';
import { type CompiledGuide, SHORT_MONTHS } from '@plesion/core/guide';
import { Box } from '../../ui/Box';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
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
        <Stack key={SHORT_MONTHS[i]} gap="hair" align="center" fill least={0}>
          <Box justify="end" wide="all" clip tall={54} round="xs" tone="kelpWash">
            <Box tone="kelp" style={{ height: `${Math.max(2, level * 100)}%` }} />
          </Box>
          <Text size="small" quiet>
            {SHORT_MONTHS[i][0]}
          </Text>
        </Stack>
      ))}
    </Row>
  );
}

function Places({ title, places }: { title: string; places: readonly Place[] }) {
  if (places.length === 0) return null;
  return (
    <Stack gap="hair" fill={200}>
      <Text size="small" strong>
        {title}
      </Text>
      {places.map(({ id, label, frequency }) => (
        <Row key={id} oneLine>
          <Text size="small" fill>
            {label}
          </Text>
          <Text size="small" quiet>
            {sayFrequency(frequency)}
          </Text>
        </Row>
      ))}
    </Stack>
  );
}

function sayFrequency(frequency: number | undefined): string {
  if (frequency === undefined) return 'no record';
  if (frequency >= 0.7) return 'common';
  if (frequency >= 0.35) return 'fairly common';
  if (frequency >= 0.1) return 'scarce';
  return frequency > 0.02 ? 'rare' : 'hardly ever';
}
