import type { Outcome } from '../../problem';
import { readCsv } from './csv';
import type { Matrix } from './matrix';
import { readNexus } from './nexusRead';
import { readSddMatrix } from './sddRead';

/** A matrix of any form, by how it begins: NEXUS, SDD, or a table; refused as the reader of its form refuses it. */
export const readMatrix = (text: string): Outcome<Matrix> =>
  /^\s*#NEXUS/i.test(text) ? readNexus(text) : /^\s*</.test(text) ? readSddMatrix(text) : readCsv(text);
