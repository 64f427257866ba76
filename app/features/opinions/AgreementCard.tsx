import type { AgreementView } from '@plesion/contract/opinions';
import { useQuery } from '@tanstack/react-query';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { Table } from '../../ui/Table';
import { Text } from '../../ui/Text';
import { opinionsApi } from './opinionsApi';

/** How far opinions agree beyond chance: all together, and two by two. */
export function AgreementCard() {
  const found = useQuery({
    queryKey: ['opinions', 'agreement'],
    queryFn: ({ signal }) => opinionsApi('opinionAgreement', { query: {} }, signal),
  });
  if (found.error) return <Failed error={found.error} retry={() => void found.refetch()} />;
  const { all, pairs } = found.data ?? { pairs: [] };
  if (!all) return null;
  return (
    <Card title="How far people here agree" aside={`${all.n} records`}>
      <Text>{`Two who were asked said the same of ${Math.round(100 * all.agreed)} in 100; by chance they would of ${Math.round(100 * all.chance)}.`}</Text>
      <Text strong>{`Agreement beyond chance: ${sayKappa(all)}`}</Text>
      {pairs.length > 0 && (
        <Table
          label="Agreement two by two"
          columns={['Who', 'Records', 'κ', 'Likely']}
          rows={pairs.map((pair) => [pair.people.join(' and '), String(pair.n), pair.kappa.toFixed(2), sayLikely(pair)])}
        />
      )}
      <Text size="small" quiet>
        1 is always, 0 no more than by chance (κ of Fleiss for all, of Cohen for two).
      </Text>
    </Card>
  );
}

type Kappa = NonNullable<AgreementView['all']>;

const sayKappa = (kappa: Kappa): string =>
  `κ ${kappa.kappa.toFixed(2)}${kappa.low === undefined ? '' : `, likely ${sayLikely(kappa)}`}`;

const sayLikely = ({ low, high }: Kappa): string => (low === undefined ? '' : `${low.toFixed(2)} to ${high!.toFixed(2)}`);
