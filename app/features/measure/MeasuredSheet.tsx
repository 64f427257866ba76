import { type Measurement, urlOf } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { sayMeasured } from '@plesion/core/observation';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { sayDate } from '../../lib/dates';
import { Box } from '../../ui/Box';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Row } from '../../ui/Row';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { measurementDrafts, useMeasurements } from '../records/useMeasurements';
import { useSession } from '../session/useSession';

/** What was measured of a specimen, with the points as files; what was measured in vain can be removed, and restored. */
export function MeasuredSheet({ id, guide }: { id: string; guide: Guide }) {
  const router = useRouter();
  const { data, error, refetch } = useMeasurements(id);
  const [removed, setRemoved] = useState<readonly Measurement[]>([]);
  const all = [...(data?.measurements ?? []).filter((one) => !removed.some((gone) => gone.id === one.id))];
  const files: [string, string][] = [
    ['Values (CSV)', urlOf('exportMeasurements', { query: { specimenId: id } })],
    ['Points (CSV)', urlOf('exportLandmarks', { query: { specimenId: id, as: 'csv' } })],
    ['Points (TPS)', urlOf('exportLandmarks', { query: { specimenId: id, as: 'tps' } })],
  ];
  if (!guide.characters.some(({ protocol }) => protocol)) return null;
  return (
    <Card
      title="Measured"
      aside={<Button small label="Measure on a photo" onPress={() => router.push(`/specimens/${id}/measure`)} />}
    >
      {error && <Failed error={error} retry={() => void refetch()} />}
      {data && all.length === 0 && (
        <Text size="small" quiet>
          Nothing yet. A length, an angle or a count is taken on a photo, point by point, and told with its error.
        </Text>
      )}
      {all.map((one) => (
        <MeasuredRow key={one.id} measurement={one} guide={guide} onRemoved={() => setRemoved([...removed, one])} />
      ))}
      {removed.map((one) => (
        <Removed
          key={one.id}
          measurement={one}
          guide={guide}
          onRestored={() => setRemoved(removed.filter((gone) => gone.id !== one.id))}
        />
      ))}
      {all.length > 0 && (
        <Row gap="xs">
          {files.map(([label, url]) => (
            <Button key={label} small kind="quiet" label={label} onPress={() => window.open(url, '_blank')} />
          ))}
        </Row>
      )}
    </Card>
  );
}

const labelOf = (guide: Guide, id: string) => guide.characters.find((one) => one.id === id)?.label ?? id;

/** Hide a measurement, or show it again; it is kept either way. */
function useHide(measurement: Measurement) {
  const station = useSession().station.id;
  return (hidden: boolean) =>
    measurementDrafts.draftOf(station, measurement.id, measurement)?.change((now) => ({ ...now, hidden }));
}

function Removed({ measurement, guide, onRestored }: { measurement: Measurement; guide: Guide; onRestored: () => void }) {
  const hide = useHide(measurement);
  return (
    <Row gap="m" align="center" padY="xs" ruled="below" role="status">
      <Text quiet fill={160}>{`${labelOf(guide, measurement.character)}: removed`}</Text>
      <Button
        small
        label="Restore"
        onPress={() => {
          hide(false);
          onRestored();
        }}
      />
    </Row>
  );
}

function MeasuredRow({ measurement, guide, onRemoved }: { measurement: Measurement; guide: Guide; onRemoved: () => void }) {
  const { value, by, createdAt, character: id } = measurement;
  const character = guide.characters.find((one) => one.id === id);
  const hide = useHide(measurement);
  return (
    <Row gap="m" align="center" padY="xs" ruled="below">
      <Box fill={160}>
        <Text strong>{labelOf(guide, id)}</Text>
        <Text size="small" quiet>
          {[value.n === 1 ? 'once' : `${value.n} times`, by, sayDate(createdAt.slice(0, 10))].filter(Boolean).join(' · ')}
        </Text>
      </Box>
      <Text figures>{sayMeasured(character, value)}</Text>
      <Button
        small
        kind="quiet"
        label="Remove"
        hint={`Remove the measurement of ${labelOf(guide, id)}`}
        onPress={() => {
          hide(true);
          onRemoved();
        }}
      />
    </Row>
  );
}
