import type { Standing } from '@plesion/core/evidence';
import type { SpecimenWrite } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import { memo, useState } from 'react';
import { Pressable } from 'react-native';
import { Box } from '../../ui/Box';
import { Photo } from '../../ui/Photo';
import { colour } from '../../theme';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Row } from '../../ui/Row';
import { Stack } from '../../ui/Stack';
import { TaxonName } from '../../ui/TaxonName';
import { Text } from '../../ui/Text';
import { formPlate, mainView } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import type { DraftState } from '../records/draft';
import { SavingLine } from '../records/SavingLine';
import { usePhotoUri } from '../photos/usePhotoUri';
import { saySituation } from '../records/situationText';
import { WithdrawnNotice } from '../sharing/WithdrawnNotice';

interface BenchHeadProps {
  id: string;
  visit?: string;
  guide: Guide;
  state: DraftState;
  answer?: Standing;
  /** Its plate comes a moment after the page has opened; its room is kept. */
  drawn: boolean;
}

/** The specimen as it is known so far: its plate as read, its name as it stands, where and when. */
export const BenchHead = memo(function BenchHead({ id, visit, guide, state, answer, drawn }: BenchHeadProps) {
  const { content } = state;
  const plate =
    drawn && answer && formPlate(guide, answer.forms[0].form, mainView(guide), 'thumb', traitsRead(guide, content.readings));
  return (
    <Stack gap="m">
      {visit && (
        <LinkBox href={`/field/catch?visit=${visit}`} justify="center" self="start">
          <Text strong color={colour.kelp}>
            Back to the catch sheet
          </Text>
        </LinkBox>
      )}
      <WithdrawnNotice guideId={content.guideId} />
      {content.photo && <PhotoSheet hash={content.photo} />}
      <Row gap="m" align="center">
        {mainView(guide) !== '' && (
          <Box align="center" justify="center" wide={96} ruled="round" ruledIn="hairline" tall={76} round="m" tone="paper">
            {plate && <PlateView plate={plate} width={92} height={72} label="The specimen, drawn from what was read" />}
          </Box>
        )}
        <Stack gap="hair" fill={150}>
          <PageHeading title={content.label ? `Bench: ${content.label}` : 'Bench'}>
            <StandingName guide={guide} content={content} answer={answer} />
          </PageHeading>
          <Text size="small" quiet numberOfLines={2}>
            {saySituation(content.situation, guide) || 'no place or date yet'}
          </Text>
          <Row gap="xs">
            <Text size="small" quiet>
              {content.label || 'no label'}
            </Text>
            <Text size="small" quiet>
              ·
            </Text>
            <SavingLine state={state} />
          </Row>
        </Stack>
        <LinkBox
          href={`/specimens/${id}/situation`}
          label="Situation: change views, place, date"
          least="touch"
          justify="center"
          padX="xs"
        >
          <Text size="small" strong color={colour.kelp}>
            Situation
          </Text>
        </LinkBox>
      </Row>
    </Stack>
  );
});

/** The photograph that is being read; a press shows it whole. */
function PhotoSheet({ hash }: { hash: string }) {
  const [whole, setWhole] = useState(false);
  const uri = usePhotoUri(hash);
  return (
    <Pressable
      role="button"
      accessibilityLabel={whole ? 'Photograph, show less of it' : 'Photograph, show it whole'}
      onPress={() => setWhole(!whole)}
    >
      <Photo
        source={{ uri }}
        resizeMode={whole ? 'contain' : 'cover'}
        wide="all"
        tall={whole ? 340 : 164}
        round="l"
        tone="paper"
      />
    </Pressable>
  );
}

function StandingName({ guide, content, answer }: { guide: Guide; content: SpecimenWrite; answer?: Standing }) {
  if (!answer)
    return (
      <Text size="lead" strong>
        …
      </Text>
    );
  const { call } = answer;
  if (call.kind === 'taxon') return <TaxonName guide={guide} taxon={call.taxon} size={22} />;
  if (call.kind === 'either')
    return <TaxonName guide={guide} taxon={call.taxon} other={call.other} qualifier="or" short size={20} />;
  if (call.kind === 'outside') return <TaxonName guide={guide} qualifier="outside" size={20} />;
  return (
    <Text size="lead" strong>
      {content.readings.length ? 'Not yet a name' : 'Nothing read yet'}
    </Text>
  );
}
