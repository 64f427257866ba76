import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { useKeptText } from '../../lib/useKeptText';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty, Failed } from '../../ui/states';
import { Text } from '../../ui/Text';
import { TextField } from '../../ui/TextField';
import { useGuides } from '../records/useGuide';
import { useToast } from '../../ui/Toast';
import { useTaken } from '../sharing/useSharing';
import { authoringApi } from './authoringApi';

const DRAFTS = ['drafts'];
const UNTITLED = 'Without a title yet';

/** Guides that are being written; one is begun from nothing, from a key, or as the next version of a guide. */
export function DraftsScreen() {
  const found = useQuery({ queryKey: DRAFTS, queryFn: ({ signal }) => authoringApi('drafts', {}, signal) });
  const client = useQueryClient();
  const drop = useMutation({
    mutationFn: ({ id, back }: { id: string; back?: true }) =>
      authoringApi(back ? 'restoreDraft' : 'dropDraft', { params: { id } }),
    onSuccess: (left) => client.setQueryData(DRAFTS, left),
  });
  const toast = useToast();
  const remove = (id: string, title: string) =>
    drop.mutate(
      { id },
      {
        onSuccess: () => toast({ text: `Removed: ${title}`, undo: () => drop.mutate({ id, back: true }) }),
      },
    );
  return (
    <AsyncScreen what="Guides that are being written" value={found.data} error={found.error} retry={() => void found.refetch()}>
      {({ drafts }) => (
        <Screen widest={860}>
          <PageHeading>Write a guide</PageHeading>
          <Begin />
          {drop.error && <Failed error={drop.error} />}
          {drafts.length === 0 && (
            <Empty title="Nothing is being written">Begin above; what is written is kept as it is typed.</Empty>
          )}
          {drafts.map(({ id, title, by, updatedAt, guideId }) => (
            <Card key={id}>
              <Row gap="m" align="center">
                <LinkBox href={`/guides/write/${id}`} justify="center" fill={200}>
                  <Text strong color={colour.kelp}>
                    {title || UNTITLED}
                  </Text>
                  <Text size="small" quiet>
                    {`begun by ${by}, changed ${sayDate(updatedAt.slice(0, 10))}${guideId ? ', published' : ''}`}
                  </Text>
                </LinkBox>
                <Button
                  small
                  kind="quiet"
                  label="Remove"
                  hint={`Remove: ${title || UNTITLED}`}
                  busy={drop.isPending && drop.variables.id === id}
                  onPress={() => remove(id, title || UNTITLED)}
                />
              </Row>
            </Card>
          ))}
        </Screen>
      )}
    </AsyncScreen>
  );
}

function Begin() {
  const router = useRouter();
  const guides = useGuides();
  const taken = useTaken();
  const client = useQueryClient();
  const [title, setTitle] = useKeptText('draft');
  const [id] = useState(() => mintId());
  const begin = useMutation({
    mutationFn: (body: { title?: string; guideId?: string; as?: 'own' }) =>
      authoringApi('beginDraft', { params: { id }, body: { title: '', ...body } }),
    async onSuccess() {
      await client.invalidateQueries({ queryKey: DRAFTS });
      setTitle('');
      router.push(`/guides/write/${id}`);
    },
  });
  const all = (guides.data?.guides ?? []).map((guide) => ({ id: guide.id, label: guide.title, words: guide.group }));
  const start = () => begin.mutate({ title: title.trim() });
  return (
    <Card title="Begin one">
      {begin.error && <Failed error={begin.error} />}
      <TextField label="Title" value={title} maxLength={200} onChangeText={setTitle} onSubmitEditing={start} />
      <Row>
        <Button kind="main" label="Begin" hint="Begin a guide from nothing" busy={begin.isPending} onPress={start} />
        <Button label="From a printed key" onPress={() => router.push('/keys/read')} />
        <Button label="From a table of measurements" onPress={() => router.push('/guides/learn')} />
      </Row>
      <Disclosure title="As the next version of a guide">
        <Picker label="Guide" items={all.filter((one) => !taken.has(one.id))} onChange={(guideId) => begin.mutate({ guideId })} />
      </Disclosure>
      <Disclosure title="As a guide of our own that goes on from one">
        <Text quiet size="small">
          It begins with all of that guide and names it among its sources. What is changed here does not touch the other.
        </Text>
        <Picker
          label="Guide it goes on from"
          items={all}
          onChange={(guideId) => begin.mutate({ guideId, as: 'own', title: title.trim() })}
        />
      </Disclosure>
    </Card>
  );
}
