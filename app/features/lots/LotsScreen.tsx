import type { Lot } from '@plesion/contract';
import { Link, useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, StyleSheet } from 'react-native';
import { z } from 'zod';
import { v7 as mintId } from 'uuid';
import { useKeptState } from '../../lib/useKeptState';
import { colour, radius, space } from '../../theme';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/TextField';
import { Screen } from '../../ui/Screen';
import { Card } from '../../ui/Card';
import { Empty, Failed, Loading } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { GuidePick, NO_GUIDE } from '../guides/GuidePick';
import { useGuides } from '../records/useGuide';
import { useSession } from '../session/useSession';
import { lotDrafts, useLots } from '../records/useLots';
import { saySize } from './saySize';

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
    <Link href={`/lots/${lot.id}`} asChild>
      <Pressable style={styles.row}>
        <Text strong>{lot.label}</Text>
        <Text size="small" quiet>
          {[saySize(lot.specimens), guide, lot.walk && `${lot.walk.answers.length} couplets answered`]
            .filter(Boolean)
            .join(' · ')}
        </Text>
      </Pressable>
    </Link>
  );
}

/** As it is typed; kept over a reload. */
const Typed = z.object({ label: z.string(), guideId: z.string().optional() });

function NewLot() {
  const router = useRouter();
  const station = useSession().station.id;
  const guides = useGuides().data?.guides ?? [];
  const [{ label, guideId }, change, forget] = useKeptState('lot', Typed, { label: '' });
  const [problem, setProblem] = useState<string>();
  const begin = () => {
    if (!label.trim()) return setProblem('Give the lot a label, such as the trap it came from.');
    if (!guideId) return setProblem('Say which guide it is read with, or that it has none.');
    const id = mintId();
    const behind = guideId === NO_GUIDE ? {} : { guideId };
    lotDrafts.startDraft(station, id, { version: 0, ...behind, label: label.trim(), specimens: [], hidden: false });
    forget();
    router.push(`/lots/${id}`);
  };
  return (
    <Card title="A new lot">
      <TextField
        label="Label"
        value={label}
        maxLength={120}
        problem={problem}
        onChangeText={(next) => change({ label: next })}
        placeholder="pitfall 7, night of the 18th"
      />
      <GuidePick rows={guides} chosen={guideId} onChange={(next) => change({ guideId: next })} without />
      <Row justify="end">
        <Button kind="main" label="Begin the lot" onPress={begin} />
      </Row>
    </Card>
  );
}

const styles = StyleSheet.create({
  row: {
    backgroundColor: colour.sheet,
    borderRadius: radius.l,
    borderWidth: 1,
    borderColor: colour.edge,
    padding: space.l,
    gap: 2,
  },
});
