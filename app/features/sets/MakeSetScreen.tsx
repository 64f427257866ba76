import type { StoredGuide } from '@plesion/contract';
import { MOST_ITEMS, SetItem, type SetSource, SET_KINDS, SetWrite } from '@plesion/contract/sets';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';
import { useKeptState } from '../../lib/useKeptState';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useGuide, useGuides } from '../records/useGuide';
import { AddItems } from './AddItems';
import { DrawnItems } from './DrawnItems';
import { SETS, setsApi, sourceKey } from './setsApi';

const Draft = z.object({
  id: z.string(),
  version: z.number(),
  title: z.string(),
  guideId: z.string().optional(),
  kind: z.enum(SET_KINDS),
  minutes: z.string(),
  items: z.array(SetItem),
});
export type Draft = z.output<typeof Draft>;

const draftOf = (from: SetSource | undefined, guideId: string | undefined): Draft =>
  from
    ? {
        // Of one that was begun another is made.
        ...(from.begun > 0 ? { id: mintId(), version: 0 } : { id: from.id, version: from.version }),
        ...{ title: from.title, guideId: from.guideId, kind: from.kind, items: from.items },
        minutes: from.minutes === undefined ? '' : String(from.minutes),
      }
    : { id: mintId(), version: 0, title: '', guideId, kind: 'lesson', minutes: '', items: [] };

/** A set put together: by rule, item by item, or both. */
export function MakeSetScreen({ from, guide }: { from?: string; guide?: string }) {
  const source = useQuery({
    queryKey: sourceKey(from ?? ''),
    queryFn: ({ signal }) => setsApi('practiceSetSource', { params: { id: from! } }, signal),
    enabled: from !== undefined,
  });
  return (
    <AsyncScreen
      what="The set"
      value={from === undefined ? { set: undefined } : source.data && { set: source.data }}
      error={source.error}
      retry={() => void source.refetch()}
    >
      {({ set }) => <Making key={set?.id ?? 'new'} set={set} guide={guide} />}
    </AsyncScreen>
  );
}

function Making({ set, guide }: { set?: SetSource; guide?: string }) {
  const [draft, change, forget] = useKeptState(`set.${set ? `${set.id}.${set.version}` : 'new'}`, Draft, draftOf(set, guide));
  const guides = useGuides();
  const stored = useGuide(draft.guideId);
  return (
    <Screen widest={860}>
      <PageHeading>{draft.version > 0 ? 'Change a set' : 'A new set'}</PageHeading>
      <Card>
        <Picker
          label="Guide"
          items={(guides.data?.guides ?? []).map(({ id, title }) => ({ id, label: title }))}
          chosen={draft.guideId}
          onChange={(guideId) => guideId !== draft.guideId && change({ guideId, items: [] })}
        />
        {draft.items.length > 0 && (
          <Text size="small" quiet>
            With another guide the items begin anew.
          </Text>
        )}
        <TextField label="Title" value={draft.title} maxLength={120} onChangeText={(title) => change({ title })} />
        <ChoiceGroup
          label="It is"
          options={[
            { id: 'lesson', label: 'for a lesson: told at once' },
            { id: 'test', label: 'a test: told when you say so' },
          ]}
          chosen={[draft.kind]}
          onChange={([kind]) => change({ kind })}
        />
        <TextField
          label="Time limit"
          hint="For all of it, from when somebody begins. Nothing is no limit."
          unit="min"
          inputMode="numeric"
          value={draft.minutes}
          onChangeText={(minutes) => change({ minutes })}
        />
      </Card>
      {stored.error && <Notice kind="problem">{stored.error.message}</Notice>}
      {stored.data && <Items draft={draft} change={change} stored={stored.data} />}
      {stored.data && <Keep draft={draft} forget={forget} guideVersion={stored.data.version} />}
    </Screen>
  );
}

interface ItemsProps {
  draft: Draft;
  change: (part: Partial<Draft>) => void;
  stored: StoredGuide;
}

function Items({ draft: { items }, change, stored: { guide } }: ItemsProps) {
  return (
    <>
      <AddItems guide={guide} room={MOST_ITEMS - items.length} onAdd={(more) => change({ items: [...items, ...more] })} />
      <DrawnItems guide={guide} items={items} onChange={(next) => change({ items: next })} />
    </>
  );
}

/** Kept as a draft, or given at once. */
function Keep({ draft, forget, guideVersion }: { draft: Draft; forget: () => void; guideVersion: number }) {
  const client = useQueryClient();
  const router = useRouter();
  const [problem, setProblem] = useState<string>();
  const write = useMutation({
    mutationFn: (body: SetWrite) => setsApi('writePracticeSet', { params: { id: draft.id }, body }),
    onSuccess: (now) => {
      forget();
      client.setQueryData(sourceKey(now.id), now);
      void client.invalidateQueries({ queryKey: SETS, exact: true });
      router.replace(`/practice/sets/${now.id}/results`);
    },
    onError: (error) => setProblem(error.message),
  });
  const keep = (given: boolean) => {
    const { version, title, guideId, kind, minutes, items } = draft;
    const limit = minutes.trim() === '' ? undefined : numberOf(minutes);
    if (minutes.trim() !== '' && limit === undefined)
      return setProblem('Time limit: give it as a number of minutes, or leave it out.');
    const body = SetWrite.safeParse({
      ...{ version, title, guideId, guideVersion, kind, items, given },
      ...(limit === undefined ? {} : { minutes: limit }),
    });
    if (!body.success) {
      const [{ path, message }] = body.error.issues;
      return setProblem(`${FIELD_WORDS[String(path[0])] ?? 'The set'}: ${message}.`);
    }
    setProblem(undefined);
    write.mutate(body.data);
  };
  return (
    <Card>
      {problem && <Notice kind="problem">{problem}</Notice>}
      <Row gap="m">
        <Button kind="main" label="Give it" busy={write.isPending} onPress={() => keep(true)} />
        <Button label="Save, not given yet" busy={write.isPending} onPress={() => keep(false)} />
      </Row>
    </Card>
  );
}

const FIELD_WORDS: Record<string, string> = { title: 'Title', items: 'Items', minutes: 'Time limit', guideId: 'Guide' };
