/** What is wrong with a line of a text that is read in. */
export interface LineProblem {
  /** From 1. */
  line: number;
  code: string;
  message: string;
  /** What would put it right: lines with what they would then say. */
  mend?: { say: string; edits: { line: number; text: string }[] };
}

/** What is wrong, or could be better, in a key. */
export interface KeyProblem {
  code: KeyProblemCode;
  message: string;
  /** Does it stop a walk, or is it only untidy? */
  weight: 'fault' | 'caution';
  couplet?: string;
  lead?: string;
}

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
