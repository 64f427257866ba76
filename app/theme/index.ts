import { Platform, useWindowDimensions } from 'react-native';
import { DAY, type Palette } from './palette';

/**
 * Colours to build styles with. In a browser each is a variable that the look in
 * force fills in, so that day and lamp change without a redraw.
 */
export const colour: Palette =
  Platform.OS === 'web' ? (Object.fromEntries(Object.keys(DAY).map((name) => [name, `var(--${name})`])) as Palette) : DAY;

/** Steps of 4. */
export const space = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;

export const radius = { xs: 4, s: 8, m: 12, l: 18 } as const;

export const font = {
  text: 'Schibsted-400',
  medium: 'Schibsted-500',
  strong: 'Schibsted-600',
  bold: 'Schibsted-700',
  name: 'Spectral-italic',
  nameUpright: 'Spectral-regular',
} as const;

/** The least size of anything to be touched. */
export const TOUCH = 44;

/** From this width on, parts lie side by side and a rail stands on the left. */
export const WIDE = 1000;

export const useWide = (): boolean => useWindowDimensions().width >= WIDE;
