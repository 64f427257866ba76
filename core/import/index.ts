export { type ArchiveFiles, type ReadArchive, readArchive } from './archive';
export { type Gathered, gather, type Station } from './gather';
export { guessColumns } from './guess';
export { type Line, type LineProblem, readLines, settle, type Settled, unknownColumns } from './lines';
export { MOST_ROWS, readTable, type Table } from './table';
export { textOf } from './text';
export { ColumnTarget, ImportHow } from './schema';
export * from './vocabulary';
