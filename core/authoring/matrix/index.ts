export { type CellProblem } from './cellText';
export { csvOf, readCsv, tableOf, writeCsv, writeLongCsv } from './csv';
export { editsOf, type Matrix, matrixChanges, type MatrixChanges, matrixOf } from './matrix';
export { readMatrix } from './readMatrix';
export { readNexus } from './nexusRead';
export { writeNexus } from './nexusWrite';
export { readSddMatrix } from './sddRead';
export { writeSddMatrix } from './sddWrite';
