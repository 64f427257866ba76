import { type SpecimenWrite, urlOf } from '@plesion/contract';
import { inHundred } from '@plesion/core/evidence';
import { type Guide, sayFacets } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import { photosOf } from '@plesion/core/specimen';
import { sayReading } from '@plesion/core/observation';
import { useRouter } from 'expo-router';
import { Suspense } from 'react';
import { useWindowDimensions } from 'react-native';
import { useParams } from '../../lib/useParams';
import { WIDE } from '../../theme';
import { FailedScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { Disclosure } from '../../ui/Disclosure';
import { Row } from '../../ui/Row';
import { lazyPart } from '../../ui/lazyPart';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { useStanding } from '../analysis/useStanding';
import { useGuide } from '../records/useGuide';
import { KeyItSheet } from '../keys/KeyItSheet';
import { MeasuredSheet } from '../measure/MeasuredSheet';
import { OpinionsSheet } from '../opinions/OpinionsSheet';
import { PhotosSheet } from '../photos/PhotosSheet';
import { drawnViews, formPlate } from '../plates/plates';
import { PlateSheet } from '../plates/PlateSheet';
import { ReviewsSheet } from '../review/ReviewsSheet';
import { VerificationSheet } from '../verification/VerificationSheet';
import { CompareButton } from '../compare/CompareButton';
import { SendPage } from '../compare/SendPage';
import { DangerNotice } from '../judgement/DangerNotice';
import { GuidelessPage } from './GuidelessPage';
import { History, sayUnion } from './History';
import { IndividualSheet } from './IndividualSheet';
import { SpecimenFrame } from './SpecimenFrame';
import { useDraft } from '../records/useDraft';

/** Fetched after the rest of the page. */
const ConversationSheet = lazyPart(
  () => import('../conversation/ConversationSheet'),
  (sheet) => sheet.ConversationSheet,
);

const AnswersSheet = lazyPart(
  () => import('../answers/AnswersSheet'),
  (sheet) => sheet.AnswersSheet,
);

/** A specimen as it stands in the daybook, with its history. */
export function SpecimenPage({ id }: { id: string }) {
  const router = useRouter();
  const { photo } = useParams<{ photo?: string }>();
  const { draft, state, error, refetch } = useDraft(id);
  const guide = useGuide(state?.content.guideId);
  const answer = useStanding(guide.data, state?.content).data;
  if (error ?? guide.error) return <FailedScreen what="The specimen" error={error ?? guide.error} retry={refetch} />;
  if (draft && state && state.content.guideId === undefined) return <GuidelessPage id={id} draft={draft} state={state} />;
  if (!draft || !state || !guide.data) return <Loading what="The specimen" />;
  const { content } = state;
  const book = guide.data.guide;
  const last = content.determinations.at(-1);
  return (
    <SpecimenFrame
      id={id}
      draft={draft}
      state={state}
      guide={book}
      above={<DangerNotice guide={book} answer={answer} />}
      facts={last ? [inHundred(last.p), sayFacets(book, last.facets), sayUnion(book, last)] : []}
      beside={
        <Button
          label={content.readings.length ? 'Open on the Bench' : 'To the Bench'}
          onPress={() => router.push(`/specimens/${id}/bench`)}
        />
      }
      nameIt="Write it down"
    >
      <PhotosSheet
        key={photo}
        id={id}
        first={photo}
        content={content}
        onChange={draft.change}
        guide={book}
        onBeside={(hash) => router.push(`/specimens/${id}/beside?photo=${hash}`)}
      />
      <MeasuredSheet id={id} guide={book} />
      <KeyItSheet id={id} content={content} />
      {answer && <SpecimenPlates guide={book} content={content} form={answer.forms[0].form} />}
      {answer && <CompareButton id={id} guide={book} guideId={guide.data.id} answer={answer} />}
      {content.readings.length > 0 && (
        <Card title="Send it to the one who asked">
          <SendPage url={(as) => urlOf('specimenPage', { params: { id }, query: { as } })} />
        </Card>
      )}
      <ReviewsSheet specimenId={id} guide={book} determinations={content.determinations} form={answer?.forms[0].form} />
      <Suspense fallback={<Loading what="The conversation" />}>
        <ConversationSheet specimenId={id} photos={photosOf(content).map(({ hash }) => hash)}>
          <Disclosure title="Stock answers">
            <AnswersSheet guideId={guide.data.id} guide={book} specimenId={id} />
          </Disclosure>
        </ConversationSheet>
      </Suspense>
      <OpinionsSheet specimenId={id} guide={book} />
      <IndividualSheet guideId={guide.data.id} content={content} onChange={draft.change} />
      <VerificationSheet key={content.individualId} of={{ specimenId: id }} guide={book} />
      <History guide={book} determinations={content.determinations} />
      <Card title="What was read" aside={`${content.readings.length}`}>
        {content.readings.length === 0 && (
          <Text quiet>Nothing yet. Open it on the Bench and begin with any character you can see.</Text>
        )}
        {content.readings.map((reading, i) => {
          const character = book.characters.find((c) => c.id === reading.character);
          return character ? (
            <Row key={reading.id ?? i} oneLine gap="m" justify="between" padY="hair">
              <Text size="small" quiet fill>
                {character.label}
              </Text>
              <Text size="small" strong fill set="right">
                {sayReading(character, reading)}
              </Text>
            </Row>
          ) : null;
        })}
      </Card>
    </SpecimenFrame>
  );
}

function SpecimenPlates({ guide, content, form }: { guide: Guide; content: SpecimenWrite; form: string }) {
  const screen = useWindowDimensions().width;
  const width = screen >= WIDE ? 380 : Math.min(360, screen - 60);
  const seen = traitsRead(guide, content.readings);
  const plates = drawnViews(guide).flatMap(({ id, label }) => {
    const plate = formPlate(guide, form, id, 'full', seen);
    return plate ? [{ label, plate }] : [];
  });
  return (
    <Row gap="m">
      {plates.map(({ label, plate }) => (
        <PlateSheet key={label} plate={plate} width={width} label={`The specimen as read, ${label}`} caption={label} />
      ))}
    </Row>
  );
}
