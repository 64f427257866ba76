import type { KeyGuideView } from '@plesion/contract/authoring';
import { KeyGuideChoices } from '@plesion/core/authoring/schema';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { z } from 'zod';
import { useKeptState } from '../../lib/useKeptState';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useKeys } from '../records/useKeys';
import { authoringApi } from './authoringApi';
import { Characters } from './Characters';
import { MayBeOne } from './MayBeOne';

/** As it is put together; kept over a reload. */
const Put = z.object({ title: z.string(), keys: z.array(z.string()), choices: KeyGuideChoices.omit({ title: true }) });
type Put = z.output<typeof Put>;
type Choices = Put['choices'];

/** A guide of a printed key: what it makes of the couplets, with the texts, to be joined and parted before it is made. */
export function KeyGuideScreen({ keyId }: { keyId: string }) {
  const [put, change, forget] = useKeptState(`keyGuide.${keyId}`, Put, {
    title: '',
    keys: [keyId],
    choices: { alone: [], join: [], same: [], labels: {} },
  });
  const { keys, choices } = put;
  const look = useQuery({
    queryKey: ['keyGuide', keys, choices],
    queryFn: ({ signal }) => authoringApi('keyGuide', { body: { keys, ...choices } }, signal),
    placeholderData: keepPreviousData,
  });
  return (
    <AsyncScreen
      what="What the key says"
      value={look.data}
      error={look.data ? undefined : look.error}
      retry={() => void look.refetch()}
    >
      {(view) => (
        <Page
          view={view}
          put={put}
          change={change}
          forget={forget}
          waiting={look.isFetching}
          refused={look.error}
          keyId={keyId}
        />
      )}
    </AsyncScreen>
  );
}

interface PageProps {
  view: KeyGuideView;
  put: Put;
  change: (part: Partial<Put>) => void;
  forget: () => void;
  waiting: boolean;
  refused: Error | null;
  keyId: string;
}

function Page({ view, put, change, forget, waiting, refused, keyId }: PageProps) {
  const router = useRouter();
  const client = useQueryClient();
  const all = useKeys();
  const [before, setBefore] = useState<Choices[]>([]);
  const { title, keys, choices } = put;
  const decide = (next: Partial<Choices>) => {
    setBefore([...before, choices]);
    change({ choices: { ...choices, ...next } });
  };
  const undo = () => {
    change({ choices: before.at(-1) });
    setBefore(before.slice(0, -1));
  };
  const make = useMutation({
    mutationFn: () =>
      authoringApi('makeKeyGuide', { body: { keys, ...choices, ...(title.trim() ? { title: title.trim() } : {}) } }),
    onSuccess: async ({ id }) => {
      forget();
      await Promise.all(['guides', 'keys', 'key'].map((kind) => client.invalidateQueries({ queryKey: [kind] })));
      router.replace(`/guides/${id}`);
    },
  });
  const others = (all.data?.keys ?? []).filter(({ id, hidden }) => id !== keyId && !hidden);
  const titles = new Map(all.data?.keys.map((key) => [key.id, key.title]));
  return (
    <Screen
      widest={1000}
      foot={
        <Row gap="m" align="center">
          <Text size="small" quiet role="status" fill={140}>
            {waiting
              ? 'Working it out …'
              : `${view.taxa.length} kinds, ${view.characters.length === 1 ? '1 character' : `${view.characters.length} characters`}`}
          </Text>
          {before.length > 0 && <Button label="Undo" hint="Undo the last decision" onPress={undo} />}
          <Button kind="main" label="Make the guide" busy={make.isPending} onPress={() => make.mutate()} />
        </Row>
      }
    >
      <PageHeading>A guide of a key</PageHeading>
      <Text>
        What leads hold against each other becomes a character, and each ending has what is said on the way to it. Where the key
        is silent, so is the guide. The specimen can then be read in any order, with parts missing.
      </Text>
      {make.error && <Failed error={make.error} />}
      {refused && <Failed error={refused} />}
      <TextField
        label="Title"
        value={title}
        placeholder={view.title}
        maxLength={200}
        onChangeText={(next) => change({ title: next })}
      />
      {others.length > 0 && (
        <Card title="Of several keys" aside={keys.map((id) => titles.get(id) ?? '').join(', ')}>
          <Text quiet>Keys to the same group become one guide; where they differ, both are kept as sources.</Text>
          <Picker
            label="Another key to the same group"
            items={others.map(({ id, title: label }) => ({ id, label: keys.includes(id) ? `${label}, is in it` : label }))}
            onChange={(id) => change({ keys: keys.includes(id) ? keys.filter((one) => one !== id) : [...keys, id] })}
          />
        </Card>
      )}
      {view.notes.length > 0 && (
        <Notice kind="note" title="To know">
          {view.notes.map((note) => (
            <Text key={note}>{note}</Text>
          ))}
        </Notice>
      )}
      <MayBeOne view={view} onJoin={(a, b) => decide({ join: [...choices.join, [a, b]] })} />
      <Characters
        view={view}
        titles={keys.length > 1 ? keys.map((id) => titles.get(id) ?? '') : undefined}
        labels={choices.labels}
        onPart={(id) => decide({ alone: [...choices.alone, id], join: choices.join.filter((pair) => !pair.includes(id)) })}
        onSame={(of, from, to) => decide({ same: [...choices.same, { of, from, to }] })}
        onLabel={(id, label) => change({ choices: { ...choices, labels: { ...choices.labels, [id]: label } } })}
      />
    </Screen>
  );
}
