import type { StoredGuide } from '@plesion/contract';
import { MOST_ITEMS, SetItem, type SetSource, SET_KINDS, SetWrite } from '@plesion/contract/sets';
import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useRef } from 'react';
import { v7 as mintId } from 'uuid';
import { z } from 'zod';
import { numberOf } from '../../lib/numberOf';
import { sentence } from '../../lib/sentence';
import { useKeptForm, type Wrongs } from '../../lib/useKeptForm';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { Form, FormEnd, FormPart } from '../../ui/Form';
import { FormTextField } from '../../ui/FormTextField';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
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
  const client = useQueryClient();
  const router = useRouter();
  const guides = useGuides();
  /** Given at once, or kept as it is for now. */
  const given = useRef(true);
  const form = useKeptForm({
    name: `set.${set ? `${set.id}.${set.version}` : 'new'}`,
    typed: Draft,
    first: () => draftOf(set, guide),
    check: (draft) => problemsOf(draft, stored.data?.version),
    send: (draft) =>
      setsApi('writePracticeSet', {
        params: { id: draft.id },
        body: SetWrite.parse(writeOf(draft, stored.data?.version, given.current)),
      }),
    onSent(_, now) {
      client.setQueryData(sourceKey(now.id), now);
      void client.invalidateQueries({ queryKey: SETS, exact: true });
      router.replace(`/practice/sets/${now.id}/results`);
    },
  });
  const { control, typed: draft, change } = form;
  const stored = useGuide(draft.guideId);
  const save = (now: boolean) => {
    given.current = now;
    form.submit();
  };
  return (
    <Screen widest={860}>
      <PageHeading>{draft.version > 0 ? 'Change a set' : 'A new set'}</PageHeading>
      <Form submit={() => save(false)}>
        <Card>
          <FormPart control={control} name="guideId">
            <Text size="small" strong quiet>
              Guide
            </Text>
            <Picker
              label="Guide"
              items={(guides.data?.guides ?? []).map(({ id, title }) => ({ id, label: title }))}
              chosen={draft.guideId}
              onChange={(guideId) => guideId !== draft.guideId && change({ guideId, items: [] })}
            />
          </FormPart>
          {draft.items.length > 0 && (
            <Text size="small" quiet>
              With another guide the items begin anew.
            </Text>
          )}
          <FormTextField control={control} name="title" label="Title" maxLength={120} />
          <ChoiceGroup
            label="It is"
            options={[
              { id: 'lesson', label: 'for a lesson: told at once' },
              { id: 'test', label: 'a test: told when you say so' },
            ]}
            chosen={[draft.kind]}
            onChange={([kind]) => change({ kind })}
          />
          <FormTextField
            control={control}
            name="minutes"
            label="Time limit"
            hint="For all of it, from when somebody begins. Nothing is no limit."
            unit="min"
            inputMode="numeric"
          />
        </Card>
        {stored.error && <Notice kind="problem">{stored.error.message}</Notice>}
        {stored.data && (
          <FormPart control={control} name="items">
            <Items draft={draft} change={change} stored={stored.data} />
          </FormPart>
        )}
        {stored.data && (
          <Card>
            <FormEnd form={{ ...form, submit: () => save(true) }} label="Hand it out">
              <Button label="Save, not handed out yet" busy={form.busy} onPress={() => save(false)} />
            </FormEnd>
          </Card>
        )}
      </Form>
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

const writeOf = ({ version, title, guideId, kind, minutes, items }: Draft, guideVersion: number | undefined, given: boolean) => {
  const limit = minutes.trim() === '' ? undefined : numberOf(minutes);
  return {
    ...{ version, title, guideId, guideVersion, kind, items, given },
    ...(limit === undefined ? {} : { minutes: limit }),
  };
};

function problemsOf(draft: Draft, guideVersion: number | undefined): Wrongs<Draft> {
  const wrong: Record<string, string> = {};
  const { minutes } = draft;
  if (minutes.trim() !== '' && numberOf(minutes) === undefined)
    wrong.minutes = 'Give it as a number of minutes, or leave it out.';
  for (const { path, message } of SetWrite.safeParse(writeOf(draft, guideVersion, true)).error?.issues ?? [])
    wrong[String(path[0])] ??= sentence(message);
  return wrong;
}
