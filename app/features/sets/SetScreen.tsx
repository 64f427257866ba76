import type { StoredGuide } from '@plesion/contract';
import type { SetView } from '@plesion/contract/sets';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { sayDate } from '../../lib/dates';
import { colour } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { LinkBox } from '../../ui/LinkBox';
import { Notice } from '../../ui/Notice';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Text } from '../../ui/Text';
import { useGuide } from '../records/useGuide';
import { setKey, setsApi } from './setsApi';
import { TakenSet } from './TakenSet';
import { TakeSet } from './TakeSet';
import { useTeaches } from './useTeaches';

/** A set as who takes it sees it: what it is, item after item, and how it went. */
export function SetScreen({ id }: { id: string }) {
  const set = useQuery({
    queryKey: setKey(id),
    queryFn: ({ signal }) => setsApi('practiceSet', { params: { id } }, signal),
    refetchOnWindowFocus: false,
  });
  const guide = useGuide(set.data?.guideId);
  const value = set.data && guide.data && { view: set.data, stored: guide.data };
  return (
    <AsyncScreen
      what="The set"
      value={value}
      error={set.error ?? guide.error}
      retry={() => void (set.error ? set.refetch() : guide.refetch())}
    >
      {({ view, stored }) => (
        <Screen widest={860}>
          <PageHeading>{view.title}</PageHeading>
          <Text quiet>{`${stored.guide.title} · ${view.kind === 'test' ? 'a test' : 'for a lesson'}, by ${view.madeBy}`}</Text>
          <Stage view={view} stored={stored} />
          <Text size="small" quiet>
            {stored.guide.caution}
          </Text>
        </Screen>
      )}
    </AsyncScreen>
  );
}

function Stage({ view, stored }: { view: SetView; stored: StoredGuide }) {
  const over = view.closed || (view.until !== undefined && new Date(view.until).getTime() <= Date.now());
  if (!view.items) return <Cover view={view} />;
  if (view.answers.length < view.items.length && !over) return <TakeSet view={view} guide={stored.guide} />;
  return <TakenSet view={view} guide={stored.guide} />;
}

/** What is to come, and the one press with which it begins. */
function Cover({ view }: { view: SetView }) {
  const { id, n, kind, minutes, given, closed } = view;
  const client = useQueryClient();
  const teaches = useTeaches();
  const begin = useMutation({
    mutationFn: () => setsApi('beginPracticeSet', { params: { id } }),
    onSuccess: (begun) => client.setQueryData(setKey(id), begun),
  });
  return (
    <Card title={n === 1 ? 'One item' : `${n} items`}>
      <Text>
        {kind === 'lesson'
          ? 'After each answer you are told what it was, and why.'
          : 'What each was is told when whoever gave it says so. The first answer to each counts.'}
      </Text>
      {minutes !== undefined && (
        <Text
          strong
        >{`You have ${minutes === 1 ? 'one minute' : `${minutes} minutes`} for all of it, from when you begin.`}</Text>
      )}
      {closed && <Notice kind="note">This set is closed: nobody begins it any more.</Notice>}
      {!given && <Notice kind="note">This set is not handed out yet: learners do not see it.</Notice>}
      {begin.error && <Notice kind="problem">{begin.error.message}</Notice>}
      <Row gap="m" align="center">
        {!closed && <Button kind="main" label="Begin" busy={begin.isPending} onPress={() => begin.mutate()} />}
        {teaches && (
          <LinkBox href={`/practice/sets/${id}/results`} justify="center" shrink>
            <Text strong color={colour.kelp}>
              Results, sheet and settings
            </Text>
          </LinkBox>
        )}
      </Row>
      <Text size="small" quiet>{`Last changed ${sayDate(view.updatedAt, 'minute')}.`}</Text>
    </Card>
  );
}
