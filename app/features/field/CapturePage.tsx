import { useRouter } from 'expo-router';
import { sayDate } from '../../lib/dates';
import { useDraftOf } from '../../lib/useDraftOf';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Text } from '../../ui/Text';
import { captureDrafts, fieldApi } from '../records/fieldDrafts';
import { RecordTrouble } from '../records/SavingTrouble';
import { useSession } from '../session/useSession';
import { CatchForm } from './CatchForm';
import { useCatchGuide } from './useCatchGuide';
import { useField } from './useField';

/** A catch that was kept, looked at or changed. */
export function CapturePage({ id }: { id: string }) {
  const router = useRouter();
  const { field, error: lost, refetch: again } = useField();
  const { draft, state, error, refetch } = useDraftOf(captureDrafts, useSession().station.id, id, 'capture', (signal) =>
    fieldApi('capture', { params: { id } }, signal),
  );
  const guide = useCatchGuide(state?.content.guideId);
  return (
    <AsyncScreen
      what="The catch"
      value={draft && state && field && guide.stored ? { draft, state, field, stored: guide.stored } : undefined}
      error={error ?? lost ?? (guide.stored ? undefined : guide.error)}
      retry={() => (refetch(), again(), guide.retry())}
    >
      {({ draft: own, state: now, ...open }) => (
        <CatchForm
          {...open}
          key={now.content.hidden ? 'hidden' : 'shown'}
          about={id}
          often={guide.often}
          visitId={now.content.visitId}
          before={{ id, capture: now.content }}
          onSave={(capture) => {
            own.change((content) => ({ ...capture, version: content.version, hidden: content.hidden }));
            if (router.canGoBack()) router.back();
            else router.replace(`/field/visits/${capture.visitId}`);
          }}
          head={
            <>
              <PageHeading title="Catch">Catch</PageHeading>
              <Text quiet>{sayDate(now.content.at, 'minute')}</Text>
              <RecordTrouble
                draft={own}
                state={now}
                what="catch"
                sayThere={(stored) => `There it is ${stored.mark ?? 'without a ring'}.`}
                offline="The catch is kept on this device and sent when the server can be reached."
              />
            </>
          }
        >
          <Row justify="end" oneLine>
            <Button
              small
              kind="quiet"
              label={now.content.hidden ? 'Restore the catch' : 'Remove the catch'}
              onPress={() => own.change((content) => ({ ...content, hidden: !content.hidden }))}
            />
          </Row>
        </CatchForm>
      )}
    </AsyncScreen>
  );
}
