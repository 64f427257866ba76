export { abundance, type Abundance, chapman } from './abundance';
export { AGE_FAMILIES, type Age, ageNow, codeOf, convertAge, familyYear, hatchedBy } from './ageCodes';
export { brokenChecks } from './catchChecks';
export { type Condition, scaledMass, type Weighed, weightFall } from './condition';
export { calendarDays, dayAfter } from './days';
export { pace, type Pace } from './deadline';
export { type CatchRate, catchRate } from './effort';
export { type First, firstsOf, type Listed, listOf, type Moved, movedBy } from './firsts';
export { type Amount, type Flock, flock, type Interval } from './flock';
export { byName, type HeadCount, overlooked, type TwoCounters, twoCounters } from './headCount';
export { type Contradiction, contradictions, legs, type Seen } from './history';
export { saidOtherwise, type SaidOtherwise, sexIn, type TurnedOut } from './turnedOut';
export { atLiberty, bearing, distanceKm, type Position, windOf } from './liberty';
export { isRested, licenceFor, type OnFile, sayOnFile, visitHalts } from './licences';
export { readTally, writeTally } from './notation';
export {
  checkRing,
  isSlip,
  numberIn,
  readBack,
  type RingCheck,
  ringIn,
  ringOf,
  stringStanding,
  type StringStanding,
} from './rings';
export { ringSizes } from './ringSizes';
export { type SexRatio, sexRatio } from './sexRatio';
export type * from './schema';
export * from './vocabulary';
