import type { Standing } from '@plesion/core/evidence';
import type { SpecimenWrite } from '@plesion/contract';
import type { Guide } from '@plesion/core/guide';
import { traitsRead } from '@plesion/core/plates';
import { Link } from 'expo-router';
import { memo, useState } from 'react';
import { Pressable, StyleSheet, View } from 'react-native';
import { Photo } from '../../ui/Photo';
import { colour, radius, space, TOUCH } from '../../theme';
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
          <View style={styles.plate}>
            {plate && <PlateView plate={plate} width={92} height={72} label="The specimen, drawn from what was read" />}
          </View>
        )}
        <View style={styles.words}>
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
        </View>
        <Link href={`/specimens/${id}/situation`} asChild>
          <Pressable accessibilityLabel="Situation: change views, place, date" style={styles.change}>
            <Text size="small" strong color={colour.kelp}>
              Situation
            </Text>
          </Pressable>
        </Link>
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
      <Photo source={{ uri }} resizeMode={whole ? 'contain' : 'cover'} style={[styles.photo, whole && styles.photoWhole]} />
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

const styles = StyleSheet.create({
  photo: { width: '100%', height: 164, borderRadius: radius.l, backgroundColor: colour.paper },
  photoWhole: { height: 340 },
  plate: {
    width: 96,
    height: 76,
    borderRadius: radius.m,
    borderWidth: 1,
    borderColor: colour.hairline,
    backgroundColor: colour.paper,
    alignItems: 'center',
    justifyContent: 'center',
  },
  words: { flexGrow: 1, flexShrink: 1, flexBasis: 150, minWidth: 0, gap: 1 },
  change: { minHeight: TOUCH, minWidth: TOUCH, justifyContent: 'center', paddingHorizontal: space.xs },
});
