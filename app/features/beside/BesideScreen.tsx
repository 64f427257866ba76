import { photosOf } from '@plesion/core/specimen';
import { useWide } from '../../theme';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Button } from '../../ui/Button';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { LinkBox } from '../../ui/LinkBox';
import { PageHeading } from '../../ui/PageHeading';
import { Picker } from '../../ui/Picker';
import { Row } from '../../ui/Row';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { type Bench, onceWeighed, useBench } from '../analysis/useBench';
import { DangerNotice } from '../judgement/DangerNotice';
import { PhotoStrip } from '../photos/PhotoStrip';
import { BesideView } from './BesideView';
import { Differences } from './Differences';
import { laidOn, type Way, WAYS } from './layers';
import { OtherPick } from './OtherPick';
import { PlacesTable } from './PlacesTable';
import { type Beside, useBeside } from './useBeside';

/** A photo of a specimen beside a plate, another photo, or another specimen. */
export function BesideScreen({ id }: { id: string }) {
  const { bench, error, retry } = useBench(id);
  return (
    <AsyncScreen what="The photo" value={onceWeighed(bench)} error={error} retry={retry}>
      {(open) => (photosOf(open.state.content).length > 0 ? <Pictures id={id} bench={open} /> : <NoPhoto id={id} />)}
    </AsyncScreen>
  );
}

function NoPhoto({ id }: { id: string }) {
  return (
    <Screen>
      <PageHeading>Photos side by side</PageHeading>
      <Empty title="No photo yet">Add a photo on the specimen’s page, and lay it beside a plate or another photo here.</Empty>
      <LinkBox href={`/specimens/${id}`}>
        <Text strong>To the specimen</Text>
      </LinkBox>
    </Screen>
  );
}

const WORDS: Record<Way, string> = { beside: 'next to each other', swipe: 'wipe over', through: 'shine through' };

function Pictures({ id, bench }: { id: string; bench: Bench }) {
  const { guide, id: guideId } = bench.stored;
  const beside = useBeside(id, bench);
  const { own, otherPhotos, by, offered, missing, measurable } = beside;
  return (
    <Screen widest={1240}>
      <DangerNotice guide={guide} answer={bench.answer} folded />
      <PageHeading>Photos side by side</PageHeading>
      <Looked beside={beside} />
      <Row align="center">
        <ChoiceGroup
          label="How they lie"
          hideLabel
          options={WAYS.map((way) => ({ id: way, label: WORDS[way] }))}
          chosen={[beside.way]}
          onChange={([way]) => beside.setWay(way)}
        />
        <ChoiceGroup
          label="The other one"
          hideLabel
          many
          options={[{ id: 'mirrored', label: 'mirrored' }]}
          chosen={beside.mirrored ? ['mirrored'] : []}
          onChange={(chosen) => beside.setMirrored(chosen.length > 0)}
        />
        {by && !missing && <Button small label="Set the places again" onPress={beside.setAgain} />}
      </Row>
      {otherPhotos.length > 0 && (
        <Card title="This photo">
          <PhotoStrip photos={photosOf(bench.state.content)} shown={own} onChoose={beside.choose} />
        </Card>
      )}
      <Card title="What lies beside it">
        <OtherPick
          id={id}
          guide={guide}
          guideId={guideId}
          other={beside.other}
          photos={otherPhotos}
          onChange={beside.changeOther}
        />
      </Card>
      {offered.length > 0 && (
        <Card title="Match by">
          <Picker
            label="Two places of"
            items={offered.map((one) => ({ id: one.id, label: one.label }))}
            chosen={by?.id}
            onChange={beside.matchBy}
            onClear={() => beside.matchBy(undefined)}
          />
        </Card>
      )}
      {measurable && <Differences guide={guide} left={measurable[0]} right={measurable[1]} at={by?.id} />}
    </Screen>
  );
}

/** The two pictures; while a place to match by is missing on one of them, that one to set it on. */
function Looked({ beside }: { beside: Beside }) {
  const wide = useWide();
  const { left, right, pair, otherPair, by, missing, way, mirrored } = beside;
  if (by && missing)
    return (
      <PlacesTable
        key={`${missing.hash} ${by.id}`}
        image={missing.image}
        label={missing.label}
        by={by}
        onSet={(set) => beside.setPair(missing.hash, set)}
      />
    );
  if (!left || !right) return <Empty title="Nothing beside it yet">Choose what it is laid beside.</Empty>;
  return (
    <>
      <BesideView
        left={left}
        right={right}
        match={laidOn(left.picture, right.picture, pair, otherPair, mirrored)}
        way={way}
        wide={wide}
      />
      <Text size="small" quiet role="status">
        {by && pair && otherPair
          ? `Matched by ${by.places.map(({ label }) => label).join(' and ')}: size and turn cancel.`
          : 'Not matched yet: sizes are as they happen to be. Choose what to match by.'}
      </Text>
    </>
  );
}
