import Papa from 'papaparse';

/** One answer to an item of a practice set. */
export interface SetAnswerLine {
  learner: string;
  /** From 1. */
  item: number;
  truth: string;
  /** Groups that were named; none where it was said that it cannot be told. */
  said: readonly string[];
  sure: string;
  /** The character that was gone by. */
  wentBy?: string;
  right: boolean;
  /** Against chance. */
  bits: number;
  seconds: number;
  at: string;
}

const TERMS = ['learner', 'item', 'truth', 'said', 'sure', 'went_by', 'right', 'bits', 'seconds', 'at'];

/** Answers to a practice set as CSV (RFC 4180); cells that a spreadsheet would run as a formula are made harmless. */
export const setAnswersCsv = (lines: readonly SetAnswerLine[]): string =>
  Papa.unparse(
    [
      TERMS,
      ...lines.map(({ learner, item, truth, said, sure, wentBy = '', right, bits, seconds, at }) => [
        ...[learner, item, truth, said.length ? said.join(' | ') : 'cannot be told', sure, wentBy],
        ...[right ? 'yes' : 'no', bits.toFixed(3), seconds.toFixed(1), at],
      ]),
    ],
    { escapeFormulae: true, newline: '\r\n' },
  );
