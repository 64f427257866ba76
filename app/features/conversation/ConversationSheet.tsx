import type { Thread } from '@plesion/contract/conversations';
import { useQuery } from '@tanstack/react-query';
import { type ReactNode, Suspense } from 'react';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { lazyPart } from '../../ui/lazyPart';
import { Failed, Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { conversationApi, conversationOf } from './conversationApi';
import { ThreadCard } from './ThreadCard';
import { TalkedPhotos } from './TalkedPhotos';

/** Fetched when somebody has something to say. */
const RemarkForm = lazyPart(
  () => import('./RemarkForm'),
  (form) => form.RemarkForm,
);

interface ConversationSheetProps {
  specimenId: string;
  /** Of its photos, in their order. */
  photos: readonly string[];
  /** Below what is said. */
  children?: ReactNode;
}

/** What people of the station say to each other of a specimen and of places on its photos. */
export function ConversationSheet({ specimenId, photos, children }: ConversationSheetProps) {
  const found = useQuery({
    queryKey: conversationOf(specimenId),
    queryFn: ({ signal }) => conversationApi('conversation', { query: { specimenId } }, signal),
  });
  const threads = found.data?.threads ?? [];
  const open = threads.filter(({ resolved }) => !resolved);
  const done = threads.filter(({ resolved }) => resolved);
  const numbers = numbered(threads);
  const shown = (some: readonly Thread[]) =>
    some.map((thread) => <ThreadCard key={thread.id} thread={thread} number={numbers.get(thread.id)} specimenId={specimenId} />);
  return (
    <Card title="Conversation" aside={open.length > 0 ? `${open.length} open` : undefined}>
      {found.error && <Failed error={found.error} retry={() => void found.refetch()} />}
      {found.data && threads.length === 0 && (
        <Text quiet>Nothing was said yet. Point at a place on a photo, or speak of it as a whole.</Text>
      )}
      <TalkedPhotos photos={photos} threads={open} numbers={numbers} />
      {shown(open)}
      {done.length > 0 && <Disclosure title={`Resolved (${done.length})`}>{shown(done)}</Disclosure>}
      {found.data && (
        <Disclosure title="Say something">
          <Suspense fallback={<Loading what="The form" />}>
            <RemarkForm specimenId={specimenId} photos={photos} next={numbers.size + 1} />
          </Suspense>
        </Disclosure>
      )}
      {children}
    </Card>
  );
}

/** Threads of places are numbered as they were begun. */
const numbered = (threads: readonly Thread[]): ReadonlyMap<string, number> =>
  new Map(threads.filter(({ place }) => place).map(({ id }, i) => [id, i + 1]));
