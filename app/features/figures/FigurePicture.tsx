import { type Figure, type Guide, sayLicence } from '@plesion/core/guide';
import { useState } from 'react';
import { StyleSheet, View } from 'react-native';
import { colour, radius, space } from '../../theme';
import { Photo } from '../../ui/Photo';
import { Text } from '../../ui/Text';
import { PhotoPin } from '../photos/AimedPhoto';
import { usePhotoUri } from '../photos/usePhotoUri';

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
        <Text size="small" quiet style={styles.gone}>
          This photograph is not here: it is not in the station, or it was not carried along and there is no connection.
        </Text>
      )}
      {(numbered ? figure.pins : undefined)?.map(({ character, x, y }, i) => (
        <PhotoPin key={character} x={x} y={y} mark={i + 1} />
      ))}
    </View>
  );
}

/** What is below a photograph, always: what it shows, whose it is, and on what terms. */
export const FigureWords = ({ guide, figure }: { guide: Guide; figure: Figure }) => (
  <View>
    <Text size="small">{[viewOf(guide, figure), figure.caption].filter(Boolean).join('. ')}</Text>
    <Text size="small" quiet>{`${figure.credit}, ${sayLicence(figure.licence)}`}</Text>
  </View>
);

const viewOf = (guide: Guide, { view }: Figure): string | undefined => guide.views.find(({ id }) => id === view)?.label;

const styles = StyleSheet.create({
  photo: { borderRadius: radius.m, backgroundColor: colour.mist },
  gone: { padding: space.m },
});
