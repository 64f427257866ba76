import type { Count } from '@plesion/contract';
import { COUNT_KINDS, type CountKind } from '@plesion/core/fieldwork';
import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { Suspense } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { sayDate } from '../../lib/dates';
import { useKeptForm } from '../../lib/useKeptForm';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { countDrafts, fieldApi } from '../records/fieldDrafts';
import { useSession } from '../session/useSession';
import { CountsChart } from './lazyCharts';
import { headsOf, sayCount } from './countWords';
import { Reconciled } from './Reconciled';

const KIND_WORDS: Record<CountKind, string> = {
  inventory: 'inventory by sex and stage',
  transect: 'quadrats along a line',
  flock: 'a flock of several kinds',
};

/** What was counted, each thing over time. */
export function CountsScreen() {
  const counts = useQuery({ queryKey: ['counts'], queryFn: ({ signal }) => fieldApi('counts', {}, signal) });
  return (
    <AsyncScreen what="The counts" value={counts.data?.counts} error={counts.error} retry={() => void counts.refetch()}>
      {(all) => {
        const things = new Map<string, Count[]>();
        for (const count of all) things.set(count.label, [...(things.get(count.label) ?? []), count]);
        return (
          <Screen widest={860}>
            <PageHeading>Counts</PageHeading>
            <NewCount />
            {all.length === 0 && (
              <Empty title="Nothing was counted yet">A cage, a tank, a stretch of shore, a roost: begin one above.</Empty>
            )}
            {[...things].map(([label, own]) => (
              <Thing key={label} label={label} counts={own} />
            ))}
          </Screen>
        );
      }}
    </AsyncScreen>
  );
}

function Thing({ label, counts }: { label: string; counts: Count[] }) {
  const [newest] = counts;
  const router = useRouter();
  const session = useSession();
  /** The next count of the same: the same rows, nothing in them. */
  const again = () => {
    const id = mintId();
    const { kind, siteId, tallies, expected, quadrats, flock } = newest;
    countDrafts.startDraft(session.station.id, id, {
      version: 0,
      hidden: false,
      kind,
      label,
      ...(siteId ? { siteId } : {}),
      at: new Date().toISOString(),
      by: session.account.name,
      tallies: tallies.map((one) => ({ ...one, males: 0, females: 0, unsexed: 0 })),
      ...(expected ? { expected: expected.map(({ name }) => ({ name, seen: false })) } : {}),
      ...(kind === 'inventory' && !expected ? { heads: headsOf(newest) } : {}),
      ...(quadrats ? { quadrats: quadrats.map((one) => ({ ...one, counts: one.counts.map(() => 0) })) } : {}),
      ...(flock ? { flock: flock.map(({ kind: name }) => ({ kind: name, amount: { how: 'counted' as const, n: 0 } })) } : {}),
    });
    router.push(`/field/counts/${id}`);
  };
  return (
    <Card title={label} aside={<Button small label="Count again" hint={`Count again: ${label}`} onPress={again} />}>
      <Reconciled counts={counts} />
      {counts.length > 1 && (
        <Suspense fallback={<Text quiet>The chart …</Text>}>
          <CountsChart counts={counts} />
        </Suspense>
      )}
      {counts.slice(0, 5).map((count) => (
        <LinkBox key={count.id} href={`/field/counts/${count.id}`} gap="hair" justify="center" padY="xs" ruled="above">
          <Text strong>{sayDate(count.at)}</Text>
          <Text size="small" quiet>{`${sayCount(count)} · ${count.by}`}</Text>
        </LinkBox>
      ))}
    </Card>
  );
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ label: z.string(), kind: z.enum(COUNT_KINDS) });
type Typed = z.infer<typeof Typed>;

function NewCount() {
  const router = useRouter();
  const session = useSession();
  const form = useKeptForm({
    name: 'count',
    typed: Typed,
    first: (): Typed => ({ label: '', kind: 'inventory' }),
    check: ({ label }) => ({ label: !label.trim() && 'Say what is counted, such as “Cage 2, lantern moths”.' }),
    send({ kind, label }) {
      const id = mintId();
      countDrafts.startDraft(session.station.id, id, {
        version: 0,
        hidden: false,
        kind,
        label: label.trim(),
        at: new Date().toISOString(),
        by: session.account.name,
        tallies: [],
        ...(kind === 'transect' ? { quadrats: [] } : {}),
        ...(kind === 'flock' ? { flock: [] } : {}),
      });
      return id;
    },
    onSent: (_, id) => router.push(`/field/counts/${id}`),
  });
  return (
    <Card title="A new count">
      <Form submit={form.submit}>
        <FormTextField control={form.control} name="label" label="What is counted" maxLength={120} />
        <ChoiceGroup
          label="How"
          options={COUNT_KINDS.map((id) => ({ id, label: KIND_WORDS[id] }))}
          chosen={[form.typed.kind]}
          onChange={([kind]) => form.change({ kind })}
        />
        <FormEnd form={form} label="Begin the count" />
      </Form>
    </Card>
  );
}
