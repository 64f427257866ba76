export { emptyDraft, forkOf } from './beginnings';
export { carryOver, type CarriedOver, type Conflict } from './carryOver';
export { type CellChange, type GuideChanges, guideChanges } from './changes';
export { type Cited, cslOf, sourceOf } from './citations';
export { parseCell, printCell } from './cells';
export { applyEdit, applyEdits } from './edits';
export {
  heredityProblems,
  type NewGene,
  readShares,
  sayShares,
  type Showing,
  withFrequency,
  withGene,
  withoutAllele,
  withoutLocus,
} from './inherited';
export { guideFromKeys, type KeyGuide } from './keyGuide';
export { writtenGenotypes } from '../guide/heredityModel';
export { isOnPlate, offPlate, onPlate, type PlanTrait, stateOnPlate, suits } from './onPlate';
export { packed, unpacked } from './packed';
export { type Part, partKey, partsIn, sayPart } from './parts';
export { draftProblems } from './problems';
export { guideSoFar, type SoFar } from './soFar';
export {
  filledOf,
  fits,
  isSpare,
  type Place,
  quantitiesFor,
  rangeFrom,
  type Role,
  ROLES,
  sayRange,
  takenAs,
  withPlaces,
  withRanges,
} from './protocols';
export { shapeFrom, shapePath } from './shapes';
export { takeMatrix } from './takeMatrix';
export { tileFromWords } from './tileWords';
export { cellKey, draftOf, type Working, workingOf } from './workingDraft';
export type {
  Cell,
  Change,
  ContrastTold,
  Draft,
  DraftCharacter,
  Edit,
  JoinProposal,
  KeyCharacterTold,
  KeyGuideChoices,
  LookedOver,
  Mistaken,
  PackedDraft,
} from './schema';
export {
  type CellProblem,
  csvOf,
  editsOf,
  type Matrix,
  matrixChanges,
  matrixOf,
  readMatrix,
  readSddMatrix,
  tableOf,
  writeCsv,
  writeLongCsv,
  writeNexus,
  writeSddMatrix,
} from './matrix';
