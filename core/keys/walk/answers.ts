import type { Certainty, Reading } from '../../evidence';
import type { StatementAnswer } from '../shape';

/** What a person said of one statement, and on which specimen of a lot it was seen. */
export interface StatementSaid {
  n: number;
  answer: StatementAnswer;
  specimen?: string;
  /** A number measured for a statement that is tied to no character. */
  value?: number;
  error?: number;
}

/** What a person decided at one couplet. */
export interface CoupletAnswer {
  couplet: string;
  /** The lead taken: its letter, or its number from 1. */
  lead?: string | number;
  /** Cannot decide: both ways, weighed by the support (`true`) or as given, one weight a lead. */
  fork?: true | number[];
  /** How sure the decision is; sure where absent. */
  certainty?: Certainty;
  statements?: StatementSaid[];
  note?: string;
}

/** A specimen that is keyed, alone or in a lot, with what was read of it. */
export interface KeyedSpecimen {
  id: string;
  label?: string;
  readings: readonly Reading[];
}

/** The specimen of a walk that names none. */
export const ONLY = 'specimen';
