import { Redirect, useRouter } from 'expo-router';
import { Button } from '../../ui/Button';
import { Screen } from '../../ui/Screen';
import { Empty, Failed, Loading } from '../../ui/states';
import { useDaybook } from '../records/useDaybook';
import { useWaiting } from '../records/useWaiting';

/** The Bench from the bar: the specimen last left open, or a new one. */
export function BenchPlace() {
  const router = useRouter();
  const open = useDaybook({ named: 'no' });
  const kept = useWaiting().find(({ entry, readable }) => readable && entry.kind === 'specimen');
  if (kept) return <Redirect href={`/specimens/${kept.entry.id}/bench`} />;
  if (open.error)
    return (
      <Screen>
        <Failed error={open.error} retry={() => void open.refetch()} />
      </Screen>
    );
  if (!open.data) return <Loading what="The bench" />;
  const latest = open.data.pages[0].specimens.reduce<{ id: string; updatedAt: string } | undefined>(
    (newest, row) => (!newest || row.updatedAt > newest.updatedAt ? row : newest),
    undefined,
  );
  if (latest) return <Redirect href={`/specimens/${latest.id}/bench`} />;
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
