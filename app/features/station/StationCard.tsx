import type { StationView } from '@plesion/contract';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { Card } from '../../ui/Card';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { sayBytes, sayCount } from './sizes';
import { useStation } from './useStation';
import { Bar } from '../../ui/Bar';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';

type Kind = keyof StationView['use'];

const KINDS: { kind: Kind; label: string; say: (amount: number) => string }[] = [
  { kind: 'specimens', label: 'Specimens', say: sayCount },
  { kind: 'photos', label: 'Photos', say: sayBytes },
  { kind: 'guides', label: 'Guides', say: sayCount },
  { kind: 'keys', label: 'Keys', say: sayCount },
];

/** From here on it is said that room runs out. */
const NEARLY = 0.9;

/** How much the station holds of what it may. */
export function StationCard() {
  const { data, error, refetch } = useStation();
  return (
    <Card title="What the station holds">
      {error && <Failed error={error} retry={() => void refetch()} />}
      {!data && !error && <Loading what="What the station holds" />}
      {data && (
        <>
          <Row gap="xl" lineGap="m">
            {KINDS.map(({ kind, label, say }) => (
              <UseMeter key={kind} label={label} {...data.use[kind]} say={say} />
            ))}
          </Row>
          <Text size="small" quiet>
            {`Begun on ${sayDate(data.since)}. What is hidden counts too: it is kept.`}
          </Text>
        </>
      )}
    </Card>
  );
}

function UseMeter({ label, used, most, say }: { label: string; used: number; most: number; say: (amount: number) => string }) {
  const share = most > 0 ? Math.min(1, used / most) : 1;
  const nearly = share >= NEARLY;
  const words = `${say(used)} of ${say(most)}${nearly ? ', nearly all' : ''}`;
  return (
    <Stack
      role="meter"
      aria-label={label}
      aria-valuenow={used}
      aria-valuemin={0}
      aria-valuemax={most}
      aria-valuetext={words}
      gap="xs"
      fill={260}
      most="all"
    >
      <Row gap="m" lineGap="none" align="baseline" justify="between">
        <Text strong>{label}</Text>
        <Text size="small" color={nearly ? colour.hazard : undefined} quiet={!nearly}>
          {words}
        </Text>
      </Row>
      <Bar part={share} tone={nearly ? 'hazard' : 'kelp'} />
    </Stack>
  );
}
