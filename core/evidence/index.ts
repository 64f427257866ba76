export { type Assessment, assess, type BeamSide, type LedgerEntry } from './assess';
export { type Beam, beamBetween, type Side } from './beam';
export { type Call, callOf, OUTSIDE, type Verdict } from './call';
export { columnOf, DOUBT } from './column';
export { tailedDensity, tailedLogDensity } from './density';
export { entropyOf, expectedInformation, type Live, liveForms, overlapOf } from './information';
export { type Grouping, groupByFacet, groupByRank, groupMasses, type Level, levelsOf, ranked } from './levels';
export { type NextLook, nextLooks } from './nextLooks';
export {
  CERTAINTIES,
  type Certainty,
  checkReadings,
  type Reading,
  READING_STATUSES,
  type ReadingStatus,
  ratioOf,
  valueOf,
} from './reading';
export { inHundred } from './say';
export { fromPrior, type Standing, standing, type Weighed, withoutReading } from './standing';
export { dependenceWeights, independenceKey } from './weights';
export { createWeigher, type WeighAnswer, type WeighRequest } from './weigher';
