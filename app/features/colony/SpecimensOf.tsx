import { useQuery } from '@tanstack/react-query';
import { api } from '../../lib/api';
import { Card } from '../../ui/Card';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { DaybookRow } from '../daybook/DaybookRow';

const AT_MOST = 60;

/** The specimens of the daybook that are this individual. */
export function SpecimensOf({ individualId }: { individualId: string }) {
  const { data, error, refetch } = useQuery({
    queryKey: ['specimens', 'of', individualId],
    queryFn: ({ signal }) => api('specimens', { query: { individualId, limit: AT_MOST } }, signal),
  });
  return (
    <Card title="In the daybook" aside={data ? `${data.total}` : undefined}>
      {error && <Failed error={error} retry={() => void refetch()} />}
      {data?.specimens.length === 0 && <Text quiet>No specimen yet: say on its page of which individual it is.</Text>}
      {data?.specimens.map((row) => (
        <DaybookRow key={row.id} row={row} />
      ))}
    </Card>
  );
}
