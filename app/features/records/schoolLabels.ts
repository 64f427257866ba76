/** How a guide gives names, in words. */
export const SCHOOL_LABELS = {
  weigh: 'weigh all characters',
  diagnostic: 'one diagnostic character',
  key: 'a whole way through a key',
} as const;
