import { RequestProblem } from '@plesion/contract';
import { draftOf } from '@plesion/core/authoring';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { useCallback, useMemo } from 'react';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { FirstOf } from '../../ui/FirstOf';
import { Notice } from '../../ui/Notice';
import { Row } from '../../ui/Row';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { authoringApi } from './authoringApi';
import { ChangesCards } from './ChangesCards';
import { DraftKeyCard } from './DraftKeyCard';
import { GoalLine } from './GoalLine';
import { type Goal, goalOf } from './goals';
import { useBase } from './guideVersion';
import { listsOf } from './lookLists';
import { NewerCard, useNewer } from './NewerCard';
import { NamesTriedCard } from './NamesTriedCard';
import { isReviewed, ReviewCard, useReviews } from './ReviewCard';
import { TogetherCard } from './TogetherCard';
import type { PartProps } from './WritingScreen';

const SHOWN = 12;

interface Props extends PartProps {
  version: number;
  saved: boolean;
  flush: () => Promise<void>;
  catchUp: () => Promise<void>;
  /** To where something is mended. */
  go: (goal: Goal) => void;
}

/** What the draft says back: what it wants, what nothing tells apart, where a cell would help; and the way to publish it. */
export function LookPart({ id, draft, scores, edit, version, saved, flush, catchUp, go }: Props) {
  const router = useRouter();
  const client = useQueryClient();
  const look = useQuery({
    queryKey: ['draft', id, 'look', version],
    queryFn: async ({ signal }) => authoringApi('lookOverDraft', { params: { id } }, signal),
    enabled: saved,
    gcTime: 0,
  });
  const newer = useNewer(id, version);
  const reviews = useReviews(id);
  const base = useBase(id);
  const after = useMemo(() => draftOf({ draft, scores }), [draft, scores]);
  const ask = useCallback(
    (behind: string | undefined, signal: AbortSignal) =>
      authoringApi('tryDraftNames', { params: { id }, query: { after: behind } }, signal),
    [id],
  );
  const publish = useMutation({
    mutationFn: async () => {
      await flush();
      return authoringApi('publishDraft', { params: { id }, body: { version } });
    },
    onSuccess: async ({ id: guideId }) => {
      await Promise.all(['guides', 'guide', 'drafts'].map((kind) => client.invalidateQueries({ queryKey: [kind] })));
      router.push(`/guides/${guideId}`);
    },
  });
  if (!saved) return <Loading what="What was changed last" />;
  if (!look.data && !look.error) return <Loading what="What the draft says" />;
  const { problems, together } = look.data ?? { problems: [], together: [] };
  const lists = look.data ? listsOf(look.data, draft) : [];
  const refused = publish.error instanceof RequestProblem ? (publish.error.body.problems ?? [publish.error.body]) : undefined;
  return (
    <>
      {look.error && <Failed error={look.error} retry={() => void look.refetch()} />}
      {publish.error && !refused && <Failed error={publish.error} />}
      {refused && (
        <Notice kind="problem" title="Not published">
          {refused.slice(0, SHOWN).map(({ message }) => (
            <Text key={message}>{message}</Text>
          ))}
        </Notice>
      )}
      {newer.map((one) => (
        <NewerCard key={one.of} id={id} version={version} newer={one} catchUp={catchUp} />
      ))}
      {problems.length > 0 ? (
        <Notice kind="problem" title="Before it can be published">
          <FirstOf of={problems} keyOf={({ message, field }) => `${field} ${message}`}>
            {(problem) => <GoalLine text={problem.message} goal={goalOf(problem)} go={go} />}
          </FirstOf>
          {lists.some(({ lines }) => lines.length > 0) && <Text quiet>What stands below is said of what is whole already.</Text>}
        </Notice>
      ) : newer.some(({ of }) => of === 'base') ? null : (
        <Card title={look.data ? 'It can be published' : 'Publish it'}>
          {!look.data && <Text>Where it wants something yet, that is said, and nothing is published.</Text>}
          <Text>Its version is kept for good. Names that were given by an earlier one stay as they are.</Text>
          {reviews.data && !isReviewed(reviews.data, version) && (
            <Text quiet>Nobody else has found it fit as it is now: the version will say that it was not reviewed.</Text>
          )}
          <Row oneLine>
            <Button
              kind="main"
              label="Publish"
              hint="Publish this guide"
              busy={publish.isPending}
              onPress={() => publish.mutate()}
            />
          </Row>
        </Card>
      )}
      {problems.length === 0 && <ReviewCard id={id} version={version} />}
      {lists.map(
        ({ title, lines }) =>
          lines.length > 0 && (
            <Card key={title} title={title} aside={`${lines.length}`}>
              <FirstOf of={lines} keyOf={({ text }) => text}>
                {(line) => <GoalLine {...line} go={go} />}
              </FirstOf>
            </Card>
          ),
      )}
      {together.length > 0 && <TogetherCard draft={draft} together={together} edit={edit} />}
      {base && <ChangesCards before={base.guide} after={after} than={`version ${base.version}`} />}
      {problems.length === 0 && <DraftKeyCard id={id} flush={flush} />}
      {base && problems.length === 0 && <NamesTriedCard on="this draft" ask={ask} />}
    </>
  );
}
