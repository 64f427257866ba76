import { type Figure, type Guide, sayLicence } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius } from '../../theme';
import { Box } from '../../ui/Box';
import { Photo } from '../../ui/Photo';
import { Text } from '../../ui/Text';
import { PhotoPin } from '../photos/AimedPhoto';
import { usePhotoUri } from '../photos/usePhotoUri';
import { LeaderLines } from './LeaderLines';
import { leadersOf } from './leaders';

interface Props {
  guide: Guide;
  figure: Figure;
  width: number;
  /** What is pointed at has a number on it; not where lines lead to it. */
  numbered?: boolean;
}

/** A photograph with numbers where something is pointed at. */
export function FigurePicture({ guide, figure, width, numbered = true }: Props) {
  const uri = usePhotoUri(figure.photo, width > 320 ? 'whole' : 'small');
  const [gone, setGone] = useState(false);
  const shows = [guide.taxa.find(({ id }) => id === figure.taxon)?.name, viewOf(guide, figure), figure.caption];
  return (
    <View style={{ width, aspectRatio: figure.width / figure.height }}>
      <Photo
        source={{ uri }}
        onError={() => setGone(true)}
        accessibilityLabel={`Photograph: ${shows.filter(Boolean).join(', ')}`}
        resizeMode="cover"
        style={[StyleSheet.absoluteFill, styles.photo]}
      />
      {gone && (
        <Box pad="m">
          <Text size="small" quiet>
            This photograph is not here: it is not in the station, or it was not carried along and there is no connection.
          </Text>
        </Box>
      )}
      {numbered && figure.pins && <Numbers pins={figure.pins} width={width} height={(width * figure.height) / figure.width} />}
    </View>
  );
}

/** Of the numbers at the right edge: how far within it, and from one to the next. */
const EDGE = 20;
const STEP = 32;

/** Numbers at the edge, a line from each to its place: what is pointed at is not covered. Too many stand on their places. */
function Numbers({ pins, width, height }: { pins: NonNullable<Figure['pins']>; width: number; height: number }) {
  const end = width - EDGE;
  const places = pins.map(({ x, y }) => ({ x: (x * width) / end, y }));
  const ends = leadersOf(places, { width: end, height, step: STEP });
  return (
    <>
      {ends && <LeaderLines lines={pins.map(({ x, y }, i) => ({ x, y, to: ends[i] }))} {...{ width, height, end }} gap={0} />}
      {pins.map(({ character, x, y }, i) => (
        <PhotoPin key={character} x={ends ? end / width : x} y={ends ? ends[i] / height : y} mark={i + 1} />
      ))}
    </>
  );
}

/** What is below a photograph, always: what it shows, whose it is, and on what terms. */
export const FigureWords = ({ guide, figure }: { guide: Guide; figure: Figure }) => (
  <View>
    <Text size="small">{[viewOf(guide, figure), figure.caption].filter(Boolean).join('. ')}</Text>
    <Text size="small" quiet>{`${figure.credit}, ${sayLicence(figure.licence)}`}</Text>
  </View>
);

/** What the numbers on a photograph point at. */
export function PinWords({ guide, figure: { pins = [] } }: { guide: Guide; figure: Figure }) {
  const said = pins.map(
    ({ character }, i) => `${i + 1} ${guide.characters.find(({ id }) => id === character)?.label ?? character}`,
  );
  return said.length > 0 && <Text size="small">{said.join(' · ')}</Text>;
}

const viewOf = (guide: Guide, { view }: Figure): string | undefined => guide.views.find(({ id }) => id === view)?.label;

const styles = StyleSheet.create({
  photo: { borderRadius: radius.m, backgroundColor: colour.mist },
});
