import { Box } from '../../ui/Box';
import { Photo } from '../../ui/Photo';
import { usePhotoUri } from '../photos/usePhotoUri';

interface CutProps {
  photo: string;
  /** Shares of the photograph. */
  box: { x: number; y: number; width: number; height: number };
  size: number;
  label?: string;
}

/** A piece of a photograph, square. */
export function Cut({ photo, box, size, label }: CutProps) {
  const uri = usePhotoUri(photo, 'small');
  const [width, height] = [size / box.width, size / box.height];
  return (
    <Box
      {...(label ? { role: 'img' as const, accessibilityLabel: label } : { 'aria-hidden': true })}
      clip
      round="s"
      style={{ width: size, height: size }}
    >
      <Photo
        source={{ uri }}
        resizeMode="stretch"
        style={{ position: 'absolute', width, height, left: -box.x * width, top: -box.y * height }}
      />
    </Box>
  );
}
