import { Redirect, useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { Screen } from '../../ui/Screen';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Empty } from '../../ui/states';
import { useDaybook } from '../records/useDaybook';
import { useWaiting } from '../records/useWaiting';

/** The Bench from the bar: the specimen last left open, or a new one. */
export function BenchPlace() {
  const open = useDaybook({ named: 'no' });
  const kept = useWaiting().find(({ entry, readable }) => readable && entry.kind === 'specimen');
  if (kept) return <Redirect href={`/specimens/${kept.entry.id}/bench`} />;
  return (
    <AsyncScreen what="The bench" value={open.data} error={open.error} retry={() => void open.refetch()}>
      {({ pages }) => {
        const latest = pages[0].specimens.reduce<{ id: string; updatedAt: string } | undefined>(
          (newest, row) => (!newest || row.updatedAt > newest.updatedAt ? row : newest),
          undefined,
        );
        return latest ? <Redirect href={`/specimens/${latest.id}/bench`} /> : <Clear />;
      }}
    </AsyncScreen>
  );
}

function Clear() {
  const router = useRouter();
  return (
    <Screen>
      <Empty
        title="The Bench is clear"
        action={<Button kind="main" label="New specimen" onPress={() => router.push('/specimens/new')} />}
      >
        Every specimen of the daybook has a name. Take up a new one, or open one from the daybook to look again.
      </Empty>
    </Screen>
  );
}
