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

export const HANDLING = ['look', 'touch', 'hold', 'instrument'] as const;
