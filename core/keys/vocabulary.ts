/** The closed lists of words that keys are written and walked in. */

export const STATEMENT_JOINS = ['and', 'or', 'except'] as const;

/** What is said of one statement of a couplet. */
export const STATEMENT_ANSWERS = ['fits', 'does-not', 'in-part', 'cannot-see'] as const;
export type StatementAnswer = (typeof STATEMENT_ANSWERS)[number];

/** What a key is to be used for: which handling its characters may need. */
export const KEY_PURPOSES = ['hands-off', 'field', 'bench'] as const;
export type KeyPurpose = (typeof KEY_PURPOSES)[number];

/** How a key is written out as text. */
export const TEXT_STYLES = ['bracketed', 'indented', 'markdown'] as const;
export type TextStyle = (typeof TEXT_STYLES)[number];

export const KEY_PROBLEMS = [
  'no-start',
  'dangling',
  'open-end',
  'unreachable',
  'cyclic',
  'number-twice',
  'one-lead',
  'no-statements',
  'no-contrast',
  'not-parallel',
  'ranges-overlap',
  'range-gap',
  'taxa-missing',
  'unknown-taxon',
  'unknown-link',
  'colour-only',
  'deep',
] as const;
export type KeyProblemCode = (typeof KEY_PROBLEMS)[number];

/** The specimen of a walk that names none. */
export const ONLY = 'specimen';
