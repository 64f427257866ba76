/** The closed lists of words that guides are written in. */

export const FACETS = ['stage', 'sex', 'morph', 'season'] as const;

export const RANKS = [
  'family',
  'tribe',
  'genus',
  'subgenus',
  'species-group',
  'species',
  'subspecies',
  'variety',
  'strain',
] as const;

export const CHARACTER_KINDS = ['nominal', 'ordered', 'measurement', 'ratio', 'angle', 'count'] as const;

export const CHARACTER_GROUPS = ['baseline', 'shape', 'pattern', 'colour', 'behaviour'] as const;

/** How a landmark is set: one point, points along a curve, points round an outline, or a marker on each of several. */
export const LANDMARK_KINDS = ['point', 'path', 'outline', 'markers'] as const;

export const HANDLING = ['look', 'touch', 'hold', 'instrument'] as const;

/** What a column of a table can hold that a guide is learned from. */
export const COLUMN_KINDS = ['measurement', 'count', 'nominal'] as const;

/** How a taxon came by another name. */
export const NAME_KINDS = ['former', 'nickname', 'misleading'] as const;

export const HAZARD_KINDS = ['venom', 'toxin', 'irritant', 'bite'] as const;

/** From slight to grave; from `serious` on, close characters are withheld. */
export const HAZARD_GRADES = ['slight', 'serious', 'grave'] as const;

/** What is found with a specimen and speaks of it. */
export const COMPANY_KINDS = ['host', 'neighbour', 'parent'] as const;

/** On what terms a photograph is used, by their identifiers in the SPDX list where that has one. */
export const LICENCES = [
  'own',
  'permission',
  'public-domain',
  'CC0-1.0',
  'CC-BY-4.0',
  'CC-BY-SA-4.0',
  'CC-BY-ND-4.0',
  'CC-BY-NC-4.0',
  'CC-BY-NC-SA-4.0',
  'CC-BY-NC-ND-4.0',
] as const;
export type Licence = (typeof LICENCES)[number];

/**
 * What a name must rest on. *weigh*: probability, independent characters, and none of
 * them indispensable. *diagnostic*: one character that nothing else has, seen twice.
 * *key*: a whole way through a key, every couplet decided, and the described form fits.
 */
export const SCHOOLS = ['weigh', 'diagnostic', 'key'] as const;

/** What the prior is made of; a situation may leave parts of it out. */
export const PRIOR_PARTS = ['range', 'date', 'habitat', 'company', 'abundance', 'shares'] as const;
export type PriorPart = (typeof PRIOR_PARTS)[number];

/** Body plans that plates can be drawn of. */
export const PLANS = ['crab', 'cone', 'beetle', 'tern', 'umbel', 'moth'] as const;

/** A sex as it is called in the hand. */
export const SEXES = ['male', 'female', 'unknown'] as const;
export type Sex = (typeof SEXES)[number];

/** By what a sex was told. */
export const SEX_METHODS = ['plumage', 'size', 'vent', 'brood-patch', 'molecular', 'behaviour'] as const;
export type SexMethod = (typeof SEX_METHODS)[number];
