/** What a column of a table of captures may say. */
export const TARGETS = [
  'day',
  'time',
  'site',
  'latitude',
  'longitude',
  'accuracy',
  'ring',
  'what',
  'kind',
  'age',
  'sex',
  'condition',
  'mass',
  'people',
  'method',
  'note',
] as const;
export type Target = (typeof TARGETS)[number];

export const TARGET_WORDS: Record<Target, string> = {
  day: 'day',
  time: 'time of day',
  site: 'site',
  latitude: 'latitude',
  longitude: 'longitude',
  accuracy: 'how far off, in m',
  ring: 'ring',
  what: 'what became of it',
  kind: 'kind',
  age: 'age code',
  sex: 'sex',
  condition: 'condition',
  mass: 'weight in g',
  people: 'people',
  method: 'method',
  note: 'note',
};

/** In which order a day is written. */
export const DAY_ORDERS = ['year-month-day', 'day-month-year', 'month-day-year'] as const;
export type DayOrder = (typeof DAY_ORDERS)[number];

/** Targets whose words may be translated one by one. */
export const TRANSLATED = ['kind', 'age', 'sex', 'what', 'condition', 'method', 'site', 'ring', 'day'] as const;
export type Translated = (typeof TRANSLATED)[number];
