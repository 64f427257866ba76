import type { KeptPhoto } from '@plesion/core/specimen';
import { TOUCH } from '../../theme';
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
          framed
          round="m"
          clip
        >
          <Thumb hash={photo.hash} />
        </Option>
      ))}
    </Options>
  );
}

function Thumb({ hash }: { hash: string }) {
  return <Photo source={{ uri: usePhotoUri(hash, 'thumb') }} wide={SIDE} tall={SIDE} resizeMode="cover" />;
}

const SIDE = TOUCH + 16;
