import { useRouter } from 'expo-router';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { MemberForm } from './MemberForm';
import { useBook } from './useBook';
import { penNamesIn } from './words';

/** Somebody new for a book. */
export function NewMember({ guideId }: { guideId: string }) {
  const router = useRouter();
  const { book, error, retry } = useBook(guideId);
  return (
    <AsyncScreen what="The keeper’s book" value={book} error={error} retry={retry}>
      {({ guide, colony }) => (
        <Screen widest={860}>
          <PageHeading>Write one down</PageHeading>
          <MemberForm
            guide={guide}
            guideId={guideId}
            members={colony.members}
            pens={penNamesIn(colony)}
            onDone={(id) => router.replace(`/field/colony/${id}`)}
          />
        </Screen>
      )}
    </AsyncScreen>
  );
}
