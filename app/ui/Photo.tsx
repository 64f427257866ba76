import { Image, type ImageProps, type ImageStyle, Platform } from 'react-native';
import { type Placing, placed } from './placing';

/** By lamp light the browser dims what would dazzle (`theme/appearance.ts`). */
const BY_LAMP = Platform.OS === 'web' ? { filter: 'var(--photo)' } : undefined;

/** A photograph: as it is by day, dimmed and warm by lamp light. */
export function Photo(props: ImageProps & Placing) {
  const [place, { style, ...rest }] = placed(props);
  return <Image {...rest} style={[place as ImageStyle, style, BY_LAMP as ImageStyle]} />;
}
