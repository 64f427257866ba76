/** Open nomenclature (Sigovini et al. 2016), and the two answers that name no taxon. */
export const QUALIFIERS = ['none', 'cf.', 'aff.', 'sp.', 'or', 'unknown', 'outside'] as const;
export type Qualifier = (typeof QUALIFIERS)[number];

/** What is kept beside a record. */
export const MEDIA_KINDS = ['photo', 'drawing', 'sound'] as const;
export type MediaKind = (typeof MEDIA_KINDS)[number];

/** Most photos, drawings and recordings kept of one specimen. */
export const MOST_MEDIA = 40;
