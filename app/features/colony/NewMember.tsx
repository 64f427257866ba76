import { useQuery } from '@tanstack/react-query';
import { useRouter } from 'expo-router';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { useGuide } from '../records/useGuide';
import { colonyApi, colonyKey } from './colonyApi';
import { MemberForm } from './MemberForm';

/** Somebody new for a book. */
export function NewMember({ guideId }: { guideId: string }) {
  const router = useRouter();
  const stored = useGuide(guideId);
  const book = useQuery({
    queryKey: colonyKey(guideId),
    queryFn: ({ signal }) => colonyApi('colony', { params: { id: guideId } }, signal),
  });
  return (
    <AsyncScreen
      what="The keeper’s book"
      value={stored.data && book.data ? { guide: stored.data.guide, members: book.data.members } : undefined}
      error={stored.error ?? book.error}
      retry={() => (void stored.refetch(), void book.refetch())}
    >
      {({ guide, members }) => (
        <Screen widest={860}>
          <PageHeading>Write one down</PageHeading>
          <MemberForm guide={guide} guideId={guideId} members={members} onDone={(id) => router.replace(`/field/colony/${id}`)} />
        </Screen>
      )}
    </AsyncScreen>
  );
}
