import { useWindowDimensions } from 'react-native';

/** Day theme. Evidence for and against differ by side and shape as well as by colour. */
export const colour = {
  mist: '#EDF1F0',
  sheet: '#FFFFFF',
  paper: '#FBFAF6',
  ink: '#10211F',
  quiet: '#4C5F5C',
  hairline: '#C8D2D0',
  kelp: '#0E4F4A',
  kelpDeep: '#0A3B37',
  kelpWash: '#E2ECEA',
  for: '#9A5B00',
  forWash: '#F4E4C8',
  against: '#56489E',
  againstWash: '#DFDBF1',
  unknown: '#8A9795',
  hazard: '#A80F3F',
  hazardWash: '#FBE9EE',
} as const;

/** Steps of 4. */
export const space = { xs: 4, s: 8, m: 12, l: 16, xl: 24, xxl: 32 } as const;

export const radius = { s: 8, m: 12, l: 18 } as const;

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
