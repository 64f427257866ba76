export { type CellProblem } from './cellText';
export { readCsv, readTable, tableOf, writeCsv, writeLongCsv } from './csv';
export { editsFrom, type Matrix, matrixOf } from './matrix';
export { readNexus } from './nexusRead';
export { writeNexus } from './nexusWrite';
export { readSddMatrix } from './sddRead';
export { writeSddMatrix } from './sddWrite';
