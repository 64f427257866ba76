import { useRouter } from 'expo-router';
import { type Character, type Guide, type Protocol } from '@plesion/core/guide';
import { photosOf, withPhoto } from '@plesion/core/specimen';
import { useState } from 'react';
import { v7 as mintId } from 'uuid';
import { useParams } from '../../lib/useParams';
import { AsyncScreen } from '../../ui/AsyncScreen';
import { Card } from '../../ui/Card';
import { ChoiceGroup } from '../../ui/ChoiceGroup';
import { PageHeading } from '../../ui/PageHeading';
import { Screen } from '../../ui/Screen';
import { Empty } from '../../ui/states';
import { Text } from '../../ui/Text';
import { type Bench, onceWeighed, useBench } from '../analysis/useBench';
import { AddPhotos } from '../photos/AddPhotos';
import { PracticeCamera } from '../photos/PracticeCamera';
import { mainView } from '../plates/plates';
import { FreeDesk } from './FreeDesk';
import { MeasureDesk } from './MeasureDesk';
import { TOOL, type ToolName, TOOLS } from './tools';

/** Measure one character on a photo of a specimen: point by point, as its guide says. */
export function MeasureScreen({ id }: { id: string }) {
  const { character, photo, tool } = useParams<{ character?: string; photo?: string; tool?: string }>();
  const { bench, error, retry } = useBench(id);
  return (
    <AsyncScreen what="The photo" value={onceWeighed(bench)} error={error} retry={retry}>
      {(open) => <Chosen id={id} bench={open} wanted={character} first={photo} tool={TOOLS.find((one) => one === tool)} />}
    </AsyncScreen>
  );
}

type Measurable = Character & { protocol: Protocol };

/** The characters of a guide that can be taken on a photo. */
export const measurableIn = (guide: Guide): Measurable[] =>
  guide.characters.filter((character): character is Measurable => character.protocol !== undefined);

interface ChosenProps {
  id: string;
  bench: Bench;
  wanted?: string;
  /** The photo that was asked for. */
  first?: string;
  tool?: ToolName;
}

function Chosen({ id, bench, wanted, first, tool }: ChosenProps) {
  const router = useRouter();
  const { guide } = bench.stored;
  const { content } = bench.state;
  const photos = photosOf(content);
  const all = measurableIn(guide);
  const character = all.find((one) => one.id === wanted);
  // The photo that shows the view it is taken in comes first.
  const [picked, setPhoto] = useState(first);
  const photo = (
    photos.find(({ hash }) => hash === picked) ??
    photos.find(({ view }) => view !== undefined && view === character?.protocol.view) ??
    photos.at(0)
  )?.hash;
  const choose = (next: string) => router.setParams({ character: next });
  const use = (hash: string) => {
    bench.draft.change((now) => withPhoto(now, hash, mintId()));
    setPhoto(hash);
  };
  if (tool && photo) return <FreeDesk key={`${tool} ${photo}`} id={id} bench={bench} tool={tool} photo={photo} />;
  if (!character || !photo)
    return (
      <Screen>
        <PageHeading>Measure on a photo</PageHeading>
        {photos.length === 0 && (
          <Card title="A photo to measure on">
            <AddPhotos has={false} onPhoto={use} />
            <PracticeCamera
              guideId={content.guideId!}
              guide={guide}
              view={character?.protocol.view ?? mainView(guide)}
              onPhoto={use}
            />
          </Card>
        )}
        {all.length === 0 ? (
          <Empty title="No character to measure">This guide does not say how any of its characters is taken on a photo.</Empty>
        ) : (
          <Card title="What to measure">
            <ChoiceGroup
              label="Character"
              hideLabel
              options={all.map((one) => ({ id: one.id, label: one.label }))}
              chosen={character ? [character.id] : []}
              onChange={([next]) => choose(next)}
            />
          </Card>
        )}
        {photos.length > 0 && (
          <Card title="Or something else">
            <Text size="small" quiet>
              Told with its error, and kept as a note: no character of the guide stands behind it.
            </Text>
            <ChoiceGroup
              label="Something else"
              hideLabel
              options={TOOLS.map((one) => ({ id: one, label: TOOL[one].label }))}
              chosen={[]}
              onChange={([next]) => router.setParams({ tool: next })}
            />
          </Card>
        )}
      </Screen>
    );
  return (
    <MeasureDesk
      key={`${character.id} ${photo}`}
      id={id}
      bench={bench}
      character={character}
      photo={photo}
      photos={photos}
      onPhoto={setPhoto}
    />
  );
}
