import { space } from '../theme';

/** Room between parts and within their edges, in steps of the theme; a hair where lines belong together. */
export const GAPS = { none: 0, hair: 2, xs: space.xs, s: space.s, m: space.m, l: space.l, xl: space.xl, xxl: space.xxl } as const;

export type Gap = keyof typeof GAPS;
