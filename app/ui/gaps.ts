import { space } from '../theme';

/** Room between parts, in steps of the theme; a hair where lines belong together. */
export const GAPS = { hair: 2, xs: space.xs, s: space.s, m: space.m, l: space.l, xl: space.xl } as const;

export type Gap = keyof typeof GAPS;
