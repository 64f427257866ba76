export { type ArchiveFiles, type ReadArchive, readArchive } from './archive';
export { type Checklist, type ChecklistName, readChecklist } from './checklist';
export { type Gathered, gather, type Station } from './gather';
export { type Line, type LineProblem, readLines, settle, type Settled, unknownColumns } from './lines';
export { readTable, type Table } from './table';
export { textOf } from './text';
export { ColumnTarget, ImportHow } from './schema';
export * from './vocabulary';
