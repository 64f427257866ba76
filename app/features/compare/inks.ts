import { colour } from '../../theme';

/** How up to four forms are told apart in one drawing: by colour and by the dash of their line. */
export const FORM_INKS = [
  { line: colour.for, wash: colour.forWash, dash: undefined },
  { line: colour.against, wash: colour.againstWash, dash: '7 4' },
  { line: colour.kelp, wash: colour.kelpWash, dash: '2 3' },
  { line: colour.ink, wash: colour.edge, dash: '10 3 2 3' },
] as const;
