export type {
  BackCheckItem,
  Couplet,
  CoupletAnswer,
  Destination,
  Finding,
  KeptWalk,
  Key,
  KeyedSpecimen,
  KeyEndpoint,
  KeyPaths,
  KeyProblem,
  Lead,
  LeadStanding,
  LineProblem,
  Statement,
  StatementLink,
  Walk,
} from './schema';
export * from './vocabulary';
export { onlyQuantity, type Quantity, quantitiesIn, unclearIn } from './quantities';
export { type Beside, besideFirst, hedgeOf, toldBeside } from './hedges';
export { propertyOf } from './properties';
export { groupsOf, printStatements, splitStatements } from './statements';
export { coupletIndex, depthOf, endingsBelow, endpointId, endpointsOf, leadsInto, leadsOf, nextOf, topological, wayTo } from './graph';
export { taxonNamed, withTaxa } from './names';
export { linkFor, linkToQuantity, withLinks } from './link';
export { mendText, readKeyText } from './text/read';
export { printDestination, writeKeyText } from './text/write';
export { readKey } from './json';
export { lintKey } from './lint';
export { findingOf } from './walk/finding';
export { keyedOf } from './walk/keyCall';
export { alone, withTicked } from './walk/readings';
export { KEY_WEIGHTS, supportOf } from './walk/support';
export { walkKey, type WalkRequest } from './walk/walk';
export { type MadeKey, makeKey, type MakeRequest, sayPurpose } from './make/make';
export { type LotUnity, lotUnity } from './lot';
export { comingCharacters } from './checklist';
export { sayTree } from './sayTree';
export { type TreeNode, treeOf, treeWithin } from './tree';
export * from './edit';
