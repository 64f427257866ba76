import type { Character, Guide } from '@plesion/core/guide';
import type { Asked, Item } from '@plesion/core/practice';
import { Suspense, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { Circle } from 'react-native-svg';
import { colour, space } from '../../theme';
import { lazyPart } from '../../ui/lazyPart';
import { Photo } from '../../ui/Photo';
import { PressBox } from '../../ui/PressBox';
import { Stack } from '../../ui/Stack';
import { Loading } from '../../ui/states';
import { Text } from '../../ui/Text';
import { usePhotoUri } from '../photos/usePhotoUri';
import { overPlate } from '../plates/plates';
import { PlateView } from '../plates/PlateView';
import { useItemPlate } from './itemPlate';
import { seenIn } from './seenIn';
import { touched } from './touched';

const BeatClip = lazyPart(
  () => import('./BeatClip'),
  (clip) => clip.BeatClip,
);

const WIDEST = 560;
const TALLEST = 360;

interface ItemPictureProps {
  guide: Guide;
  item: Item;
  /** The view, as the guide calls it. */
  view: string;
  /** Those of which a part may be touched. */
  characters: readonly Character[];
  situation?: Asked['situation'];
  /** Is what it is told? Then it is seen in full light, and touched no more. */
  told: boolean;
  touchable: boolean;
  onTouch: (marks: string[]) => void;
}

/** What an item shows: a drawing, something that moves, or a photograph of the station's own. */
export function ItemPicture(props: ItemPictureProps) {
  const { guide, item } = props;
  const room = Math.min(WIDEST, useWindowDimensions().width - 4 * space.m);
  if (item.photo) return <OwnPhoto hash={item.photo.hash} room={room} />;
  if (item.beats !== undefined)
    return (
      <Suspense fallback={<Loading what="The clip" />}>
        <BeatClip guide={guide} item={item} width={room} tallest={TALLEST} />
      </Suspense>
    );
  return <Drawing {...props} room={room} />;
}

function OwnPhoto({ hash, room }: { hash: string; room: number }) {
  return (
    <Stack gap="xs" align="center" self="center">
      <Photo
        source={{ uri: usePhotoUri(hash) }}
        accessibilityLabel="A photograph to be named"
        resizeMode="contain"
        style={{ width: room, height: Math.min(TALLEST, room * 0.75) }}
      />
      <Text size="small" quiet>
        A photograph of this station, of which it is known what it shows.
      </Text>
    </Stack>
  );
}

function Drawing({
  guide,
  item,
  view,
  characters,
  situation,
  told,
  touchable,
  onTouch,
  room,
}: ItemPictureProps & { room: number }) {
  const [spot, setSpot] = useState<{ x: number; y: number }>();
  const plate = useItemPlate(guide, item);
  const size = overPlate(plate, room, TALLEST);
  const touch = (x: number, y: number) => {
    setSpot({ x, y });
    onTouch(touched(guide, plate, item.view, characters, [x, y]).map(({ id }) => id));
  };
  return (
    <PressBox
      gap="xs"
      align="center"
      self="center"
      aria-label={`An individual, ${view}. Touch the mark you go by.`}
      role="img"
      disabled={told || !touchable}
      onPress={({ nativeEvent }) => {
        const { offsetX, offsetY, locationX, locationY } = nativeEvent as unknown as Record<string, number | undefined>;
        touch((offsetX ?? locationX ?? 0) / size.width, (offsetY ?? locationY ?? 0) / size.height);
      }}
    >
      <View pointerEvents="none" style={told ? undefined : seenIn(situation)}>
        <PlateView plate={plate} width={size.width} height={size.height}>
          {spot && (
            <Circle
              cx={(plate.box.x + spot.x * plate.box.width) * 100}
              cy={(plate.box.y + spot.y * plate.box.height) * 100}
              r={plate.box.width * 2.4}
              fill="none"
              stroke={colour.hazard}
              strokeWidth={plate.box.width * 0.7}
            />
          )}
        </PlateView>
      </View>
    </PressBox>
  );
}
