/** What an overlap means for telling two apart. */
export const SEPARATIONS = ['separates', 'helps', 'weak', 'does not separate'] as const;
export type Separation = (typeof SEPARATIONS)[number];
