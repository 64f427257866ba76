/** How animals are met or caught. */
export const METHODS = [
  'mist-net',
  'clap-net',
  'walk-in-trap',
  'funnel-trap',
  'pitfall',
  'lamp',
  'hand',
  'transect',
  'watch',
] as const;
export type Method = (typeof METHODS)[number];

/** Methods by which nothing is caught, so that no licence to catch is asked for. */
export const LOOKING: readonly Method[] = ['transect', 'watch'];

export const METHOD_WORDS: Record<Method, string> = {
  'mist-net': 'mist net',
  'clap-net': 'clap net',
  'walk-in-trap': 'walk-in trap',
  'funnel-trap': 'funnel trap',
  pitfall: 'pitfall',
  lamp: 'lamp',
  hand: 'by hand',
  transect: 'transect',
  watch: 'watching only',
};

/** What became of one animal in the hand. */
export const CATCHES = ['ringed', 'again', 'unringed', 'other-kind', 'lost'] as const;
export type Catch = (typeof CATCHES)[number];

export const CATCH_WORDS: Record<Catch, string> = {
  ringed: 'newly ringed',
  again: 'met again',
  unringed: 'not ringed',
  'other-kind': 'not the kind looked for',
  lost: 'lost or dead',
};

export { SEX_METHODS, type SexMethod, SEXES, type Sex } from '../guide/vocabulary';

export const CONDITIONS = ['good', 'tired', 'wet', 'injured', 'dead'] as const;
export type BodyCondition = (typeof CONDITIONS)[number];

/** What an animal bears by nature or by what befell it, and is known by. */
export const NATURAL_MARKS = ['scar', 'notch', 'spots', 'missing', 'colour', 'shape'] as const;
export type NaturalMarkKind = (typeof NATURAL_MARKS)[number];

export const NATURAL_MARK_WORDS: Record<NaturalMarkKind, string> = {
  scar: 'scar',
  notch: 'notch',
  spots: 'pattern of spots',
  missing: 'something missing',
  colour: 'odd colour',
  shape: 'odd shape',
};

/** What was done with it in the end. */
export const RELEASES = ['let-go', 'let-go-elsewhere', 'kept', 'died'] as const;
export type Release = (typeof RELEASES)[number];

export const RELEASE_WORDS: Record<Release, string> = {
  'let-go': 'let go here',
  'let-go-elsewhere': 'let go elsewhere',
  kept: 'kept',
  died: 'died',
};

/** What a station's sheet may ask of a catch, beside the measured characters of the guide. */
export const SHEET_FIELDS = [
  'kind',
  'age',
  'sex',
  'sexBy',
  'condition',
  'mass',
  'naturalMarks',
  'parents',
  'photo',
  'position',
  'release',
  'note',
] as const;
export type SheetField = (typeof SHEET_FIELDS)[number];

export const COUNT_KINDS = ['inventory', 'transect', 'flock'] as const;
export type CountKind = (typeof COUNT_KINDS)[number];
