export { type Choice } from './choose';
export { crossValidate } from './crossValidate';
export { type PreparedTable, prepareData } from './preparedTable';
export { assignFolds } from './folds';
export { learn, type LearnedFrom, type LearnRequest } from './learn';
export { type Column, type ColumnKind, type Labels, LABELS, readTable, type RowProblem, type Table } from './table';
export { asRequest, guessRoles, type Role, ROLES } from './header';
