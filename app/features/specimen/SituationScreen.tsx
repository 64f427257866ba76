import { useRouter } from 'expo-router';
import { FailedScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Screen } from '../../ui/Screen';
import { Loading } from '../../ui/states';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { useGuide } from '../records/useGuide';
import { SituationForm } from './SituationForm';
import { useDraft } from '../records/useDraft';

/** Change where, when and how a specimen was met. */
export function SituationScreen({ id }: { id: string }) {
  const router = useRouter();
  const { draft, state, error, refetch } = useDraft(id);
  const guide = useGuide(state?.content.guideId);
  if (error ?? guide.error) return <FailedScreen what="The specimen" error={error ?? guide.error} retry={refetch} />;
  const guideless = state && state.content.guideId === undefined;
  if (!draft || !state || !(guide.data || guideless)) return <Loading what="The specimen" />;
  return (
    <Screen widest={720}>
      <PageHeading>Situation</PageHeading>
      {state.content.situation.latitude !== undefined && state.content.situation.longitude !== undefined && (
        <Row>
          <Button small label="On the map" onPress={() => router.push(`/field/map?specimen=${id}`)} />
        </Row>
      )}
      <SituationForm
        about={id}
        guide={guide.data?.guide}
        label={state.content.label}
        situation={state.content.situation}
        submitLabel={guideless ? 'Back to the specimen' : 'Back to the Bench'}
        onSubmit={(label, situation) => {
          draft.change((content) => ({
            ...content,
            label,
            situation,
          }));
          router.replace(guideless ? `/specimens/${id}` : `/specimens/${id}/bench`);
        }}
      />
    </Screen>
  );
}
