export { isOpen, type Reminder, remindersOf } from './reminders';
export type * from './schema';
export { readBookCsv, writeBookCsv } from './bookCsv';
export { type BookCharacter, type BookRow, type FileProblem, rowProblems } from './bookRow';
export { readLinkage, writeLinkage } from './linkage';
export { pairingColumn, type PairingRow, readPairingsCsv, writePairingsCsv } from './pairingCsv';
export { inPensNow, keyOfPen, pairedInNow, penAnew, type PenName, penNames, pensOf, type PenState, whoWasIn } from './pens';
export { keptOfYoung } from './young';
