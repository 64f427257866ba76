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
export { onlyQuantity, quantitiesIn, unclearIn } from './quantities';
export { hedgeOf, printStatements, splitStatements } from './statements';
export { coupletIndex, depthOf, endingsBelow, endpointId, endpointsOf, leadsOf, nextOf, wayTo } from './graph';
export { taxonNamed, withTaxa } from './names';
export { linkFor, linkToQuantity, withLinks } from './link';
export { mendText, readKeyText } from './text/read';
export { printDestination, writeKeyText } from './text/write';
export { readKey } from './json';
export { lintKey } from './lint';
export { type CoupletAnswer, type KeyedSpecimen } from './walk/answers';
export { type BackCheckItem } from './walk/backCheck';
export { type Finding } from './walk/finding';
export { keyedOf } from './walk/keyCall';
export { alone } from './walk/readings';
export { KEY_WEIGHTS, type LeadStanding } from './walk/support';
export { type KeyEndpoint, type Walk, walkKey, type WalkRequest } from './walk/walk';
export { type MadeKey, makeKey, type MakeRequest, sayPurpose } from './make/make';
export { type LotUnity, lotUnity } from './lot';
export { comingMarks } from './checklist';
export { type TreeNode, treeOf, treeWithin } from './tree';
export * from './edit';
export { type KeptWalk } from './kept';
export { withTicked } from './walk/readings';
