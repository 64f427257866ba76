export { carryOver, type CarriedOver, type Conflict } from './carryOver';
export { type CellChange, type GuideChanges, guideChanges } from './changes';
export { type Cited, cslOf, sourceOf } from './citations';
export { parseCell, printCell } from './cells';
export { applyEdit, applyEdits, cellKey, draftOf, emptyDraft, forkOf, type Working, workingOf } from './edits';
export { guideFromKeys, type KeyGuide } from './keyGuide';
export { type Part, partKey, partsIn, sayPart } from './parts';
export { draftProblems } from './problems';
export { tileFromWords } from './tileWords';
export type {
  Cell,
  ContrastTold,
  Draft,
  DraftCharacter,
  Edit,
  JoinProposal,
  KeyCharacterTold,
  KeyGuideChoices,
  LookedOver,
} from './schema';
export {
  type CellProblem,
  editsFrom,
  type Matrix,
  matrixOf,
  readCsv,
  readNexus,
  readSddMatrix,
  readTable,
  tableOf,
  writeCsv,
  writeLongCsv,
  writeNexus,
  writeSddMatrix,
} from './matrix';
