/** The colours of printed pages; the same as the application's by day. */
export const INK = '#10211F';
export const QUIET = '#4C5F5C';
export const KELP = '#0E4F4A';
export const PAPER = '#FBFAF6';
export const HAIR = '#C8D2D0';
export const HAZARD = '#A80F3F';
/** Behind what must not be overlooked. */
export const BLUSH = '#FBE9EE';
