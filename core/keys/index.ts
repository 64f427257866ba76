export {
  type Couplet,
  type Destination,
  Key,
  KEY_PROBLEMS,
  KEY_PURPOSES,
  type KeyPurpose,
  type Lead,
  type Statement,
  STATEMENT_ANSWERS,
  type StatementAnswer,
  type StatementLink,
} from './shape';
export { type KeyProblem, type LineProblem } from './problems';
export { type Quantity, quantitiesIn, unitFactor } from './quantities';
export { groupsOf, hedgeOf, printStatements, splitStatements } from './statements';
export {
  coupletIndex,
  depthOf,
  endingsBelow,
  endpointId,
  endpointsOf,
  leadsInto,
  leadsOf,
  nextOf,
  type PlacedLead,
  topological,
  wayTo,
} from './graph';
export { taxaMissing, taxonNamed, withTaxa } from './names';
export { linkToQuantity, withLinks } from './link';
export { type KeyRead, LONGEST_TEXT, mendText, readKeyText } from './text/read';
export { printDestination, TEXT_STYLES, type TextStyle, writeKeyText } from './text/write';
export { readKey, tidy } from './json';
export { lintKey } from './lint';
export { type CoupletAnswer, type KeyedSpecimen, ONLY, type StatementSaid } from './walk/answers';
export { type BackCheck, type BackCheckItem } from './walk/backCheck';
export { type Finding } from './walk/finding';
export { type KeyCall, keyedOf } from './walk/keyCall';
export { type Misstep } from './walk/missteps';
export { alone, FROM_KEY } from './walk/readings';
export { KEY_WEIGHTS, type LeadStanding } from './walk/support';
export { type KeyEndpoint, type TrailStep, type Walk, walkKey, type WalkRequest } from './walk/walk';
export { type MadeKey, makeKey, type MakeRequest, sayPurpose } from './make/make';
export { type LotDisagreement, type LotUnity, lotUnity } from './lot';
export { type ComingMark, comingMarks, type ViewChecklist } from './checklist';
export { type KeyTree, type TreeBranch, type TreeNode, treeOf } from './tree';
export * from './edit';
export { type KeptWalk } from './kept';
export { withTicked } from './walk/readings';
