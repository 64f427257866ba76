export { type Assessment, assess, type BeamSide, type LedgerEntry } from './assess';
export { type Beam, beamBetween, type Side } from './beam';
export { type Call, callOf, OUTSIDE, type Verdict } from './call';
export { type Answer } from './answers';
export { type Ancestry } from './ancestry';
export { factorOf, isMeasured, jointColumn, tableGiven } from './block';
export { columnOf, DOUBT, onScale } from './column';
export { type Danger, type Hazards, hazardsOf, isClose } from './danger';
export { type Dispute } from './disputes';
export { type Fit, fitOf } from './fit';
export { tailedDensity, tailedLogDensity } from './density';
export { type Keyed } from './keyed';
export { entropyOf, expectedInformation, type Live, liveForms } from './information';
export { type Grouping, groupByFacet, groupByRank, groupMasses, type Level, levelsOf, ranked } from './levels';
export { type NextLook, nextLooks } from './nextLooks';
export { density, OVERLAP, overlapBetween, reach, type Separation, separationOf, type Side as WeightedSide } from './overlap';
export {
  CERTAINTIES,
  type Comparison,
  type Certainty,
  checkReadings,
  type Reading,
  READING_STATUSES,
  type ReadingStatus,
  ratioOf,
  valueOf,
} from './reading';
export { sumOfPowers } from './powers';
export { sayMisreading, sayRule } from './rule';
export { inHundred, ofHundred } from './say';
export { type Joint, jointStanding } from './joint';
export { type Contradiction, type Robustness } from './robustness';
export { hindranceOf, type SetAside, type SetAsideBecause, sayFacetScope } from './setAside';
export { type Settling } from './settle';
export { fromPrior, type Standing, standing, type Weighed, withoutReading, withReading } from './standing';
export { isTrusted, type Trap, trapsBetween } from './traps';
export {
  evenWeights,
  groupOfCharacter,
  independenceKey,
  kishTotal,
  markOf,
  temperedSum,
  temperedWeights,
  temperScratch,
  weightOfNext,
} from './weights';
