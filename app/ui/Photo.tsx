import { Image, type ImageProps, type ImageStyle, Platform } from 'react-native';

/** By lamp light the browser dims what would dazzle (`theme/appearance.ts`). */
const BY_LAMP = Platform.OS === 'web' ? { filter: 'var(--photo)' } : undefined;

/** A photograph: as it is by day, dimmed and warm by lamp light. */
export const Photo = ({ style, ...rest }: ImageProps) => <Image {...rest} style={[style, BY_LAMP as ImageStyle]} />;
