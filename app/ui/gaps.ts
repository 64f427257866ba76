import { StyleSheet } from 'react-native';
import { space } from '../theme';

/** Room between parts, in steps of the theme; a hair where lines belong together. */
export const gaps = StyleSheet.create({
  none: { gap: 0 },
  hair: { gap: 2 },
  xs: { gap: space.xs },
  s: { gap: space.s },
  m: { gap: space.m },
  l: { gap: space.l },
  xl: { gap: space.xl },
});

export type Gap = keyof typeof gaps;
