import type { KeyProblemCode } from './shape/vocabulary';

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
