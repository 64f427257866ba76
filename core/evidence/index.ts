export type {
  Ancestry,
  Answer,
  Standing,
  BeamSide,
  Call,
  Contradiction,
  Danger,
  Dispute,
  Fit,
  Keyed,
  LedgerEntry,
  Level,
  NextLook,
  Robustness,
  SetAside,
  SetAsideReason,
  Settling,
  Trap,
  Verdict,
} from './schema';
export * from './vocabulary';
export { standingOf } from './standing';
export { type Beam, beamBetween, type Contender } from './beam';
export { callOf } from './call';
export { jointColumn, tableGiven } from './block';
export { factorOf } from './blockPattern';
export { evidenceOf, onScale } from './readingEvidence';
export { type Hazards, hazardsOf, isClose } from './danger';
export { fitOf } from './fit';
export { tailedDensity, tailedLogDensity } from './density';
export { entropyOf, expectedInformation, type PossibleForms, possibleForms } from './information';
export { formsIn, type Grouping, groupByFacet, groupByRank, groupMasses, levelsOf, ranked } from './levels';
export { nextLooks } from './nextLooks';
export {
  density,
  frequenciesOver,
  misleadsBetween,
  OVERLAP,
  overlapBetween,
  reach,
  separationOf,
  type WeightedForms as WeightedSide,
} from './overlap';
export { sumOfPowers } from './powers';
export { sayMisreading, sayRule } from './rule';
export { inHundred, ofHundred } from './say';
export { type NamedForms, sayDifference, TELLS } from './sayDifference';
export { type ReadingWorth, worthBetween } from './worth';
export { type Joint, jointPosterior } from './joint';
export { setAsideBy, sayFacetScope } from './setAside';
export { fromPrior, type WeighedPosterior, posteriorOf, type Weighed, withoutReading, withReading } from './posterior';
export { isTrusted, trapsBetween } from './traps';
export { evenWeights, groupOfCharacter, independenceKey, unitOf, temperedSum, temperedWeights, temperScratch } from './weights';
