import type { Capture } from '@plesion/contract';
import { scaledMass, type Weighed } from '@plesion/core/fieldwork';
import { useQuery } from '@tanstack/react-query';
import { Card } from '../../ui/Card';
import { Text } from '../../ui/Text';
import { fieldApi } from '../records/fieldDrafts';

/** Captures that a kind's slope is worked out of. */
const MOST = 500;
/** The length that stands for size: the wing, as it is measured most. */
const LENGTH = 'wing-chord';

const weighedOf = (captures: readonly Capture[]): Weighed[] =>
  captures.flatMap(({ mass, readings }) => {
    const length = readings.find(({ character }) => character === LENGTH)?.value;
    return mass !== undefined && length !== undefined && length > 0 ? [{ mass, length }] : [];
  });

/** How heavy it is for its size, against its kind. */
export function ConditionOf({ taxon, own }: { taxon: string; own: readonly Capture[] }) {
  const lately = useQuery({
    queryKey: ['caught lately', MOST],
    queryFn: ({ signal }) => fieldApi('captures', { query: { limit: MOST } }, signal),
    staleTime: 5 * 60_000,
  });
  const mine = weighedOf(own.slice(-1));
  const kind = weighedOf(lately.data?.captures.filter((capture) => capture.taxon === taxon) ?? []);
  if (!mine.length || !lately.data) return null;
  const found = scaledMass(mine, kind);
  if (!found.ok)
    return (
      <Card title="Condition">
        <Text size="small" quiet>
          {found.problems[0].message}
        </Text>
      </Card>
    );
  const all = scaledMass(kind);
  const lighter = all.ok ? all.value.index.filter((index) => index < found.value.index[0]).length : 0;
  return (
    <Card title="Condition">
      <Text>{`${found.value.index[0].toFixed(1)} g for its size: heavier than ${Math.round((lighter / kind.length) * 100)} in 100 of its kind here`}</Text>
      <Text size="small" quiet>
        {`Scaled mass index (Peig & Green 2009): its weight as it would be at the kind’s mean wing of ${found.value.meanLength.toFixed(1)} mm, by a slope of ${found.value.slope.toFixed(2)}; n = ${kind.length}.`}
      </Text>
    </Card>
  );
}
