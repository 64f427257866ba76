/** What came of keeping one alone: it laid; it laid none; or another egg lay meanwhile in the pen that it was taken from. */
export const SEPARATED = ['laid', 'none', 'another'] as const;
export type Separated = (typeof SEPARATED)[number];
