import type { KeptPhoto } from '@plesion/core/specimen';
import { StyleSheet } from 'react-native';
import { colour, radius, TOUCH } from '../../theme';
import { Option, Options } from '../../ui/Options';
import { Photo } from '../../ui/Photo';
import { usePhotoUri } from './usePhotoUri';

interface PhotoStripProps {
  photos: readonly KeptPhoto[];
  shown: string;
  /** The view a photo shows, in words. */
  sayView?: (photo: KeptPhoto) => string | undefined;
  onChoose: (hash: string) => void;
  /** Is it shown even where there is one alone? */
  alone?: boolean;
}

/** What a photo among others is called. */
export const sayPhoto = (n: number, view?: string): string => `photo ${n + 1}${view ? `, ${view}` : ''}`;

/** The photos of a specimen in small, to choose one of; nothing where there is one alone. */
export function PhotoStrip({ photos, shown, sayView, onChoose, alone }: PhotoStripProps) {
  if (photos.length < (alone ? 1 : 2)) return null;
  return (
    <Options label="Photo" gap="s" across>
      {photos.map((photo, n) => (
        <Option
          key={photo.hash}
          on={photo.hash === shown}
          label={sayPhoto(n, sayView?.(photo))}
          onPress={() => onChoose(photo.hash)}
          style={[styles.thumb, photo.hash === shown && styles.shown]}
        >
          <Thumb hash={photo.hash} />
        </Option>
      ))}
    </Options>
  );
}

function Thumb({ hash }: { hash: string }) {
  return <Photo source={{ uri: usePhotoUri(hash, 'thumb') }} style={styles.picture} resizeMode="cover" />;
}

const SIDE = TOUCH + 16;

const styles = StyleSheet.create({
  thumb: { borderRadius: radius.m, borderWidth: 3, borderColor: colour.edge, overflow: 'hidden' },
  shown: { borderColor: colour.kelp },
  picture: { width: SIDE, height: SIDE },
});
