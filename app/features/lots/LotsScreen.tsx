import type { Lot } from '@plesion/contract';
import { useRouter } from 'expo-router';
import { z } from 'zod';
import { v7 as mintId } from 'uuid';
import { useKeptForm } from '../../lib/useKeptForm';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Empty, Failed, Loading } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Text } from '../../ui/Text';
import { GuidePick, NO_GUIDE } from '../guides/GuidePick';
import { useGuides } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { lotDrafts, useLots } from '../records/useLots';
import { saySize } from './saySize';
import { LinkBox } from '../../ui/LinkBox';

/** Specimens taken together and thought alike. */
export function LotsScreen() {
  const lots = useLots();
  const guides = useGuides();
  const titleOf = (id: string | undefined) =>
    id === undefined ? 'no guide' : (guides.data?.guides.find((guide) => guide.id === id)?.title ?? '');
  return (
    <Screen>
      <PageHeading>Lots</PageHeading>
      <Text quiet>
        Specimens taken together and thought alike: one key for all of them, each part read on whichever shows it.
      </Text>
      {lots.error && <Failed error={lots.error} retry={() => void lots.refetch()} />}
      {lots.isPending && <Loading what="The lots" />}
      {lots.data?.lots.length === 0 && (
        <Empty title="No lot yet">Give it a label and a guide, then put specimens of the daybook into it.</Empty>
      )}
      {lots.data?.lots.map((lot) => (
        <LotRow key={lot.id} lot={lot} guide={titleOf(lot.guideId)} />
      ))}
      <NewLot />
    </Screen>
  );
}

function LotRow({ lot, guide }: { lot: Lot; guide: string }) {
  return (
    <LinkBox href={`/lots/${lot.id}`} gap="hair" pad="l" ruled="round" ruledIn="edge" round="l" tone="sheet">
      <Text strong>{lot.label}</Text>
      <Text size="small" quiet>
        {[saySize(lot.specimens), guide, lot.walk && `${lot.walk.answers.length} couplets answered`].filter(Boolean).join(' · ')}
      </Text>
    </LinkBox>
  );
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ label: z.string(), guideId: z.string().optional() });

function NewLot() {
  const router = useRouter();
  const station = useSession().station.id;
  const guides = useGuides().data?.guides ?? [];
  const form = useKeptForm({
    name: 'lot',
    typed: Typed,
    first: () => ({ label: '' }),
    check: ({ label, guideId }) => ({
      label: !label.trim() && 'Give the lot a label, such as the trap it came from.',
      guideId: !guideId && 'Say which guide it is read with, or that it has none.',
    }),
    send({ label, guideId }) {
      const id = mintId();
      const behind = guideId === NO_GUIDE ? {} : { guideId };
      lotDrafts.startDraft(station, id, { version: 0, ...behind, label: label.trim(), specimens: [], hidden: false });
      return id;
    },
    onSent: (_, id) => router.push(`/lots/${id}`),
  });
  return (
    <Card title="A new lot">
      <Form submit={form.submit}>
        <FormTextField
          control={form.control}
          name="label"
          label="Label"
          maxLength={120}
          placeholder="pitfall 7, night of the 18th"
        />
        <FormPart control={form.control} name="guideId">
          <GuidePick rows={guides} chosen={form.typed.guideId} onChange={(guideId) => form.change({ guideId })} without />
        </FormPart>
        <FormEnd form={form} label="Begin the lot" />
      </Form>
    </Card>
  );
}
