/** Open nomenclature (Sigovini et al. 2016), and the two answers that name no taxon. */
export const QUALIFIERS = ['none', 'cf.', 'aff.', 'sp.', 'or', 'unknown', 'outside'] as const;
export type Qualifier = (typeof QUALIFIERS)[number];
