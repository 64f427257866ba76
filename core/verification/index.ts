export {
  atThresholds,
  type AtThreshold,
  type Calibration,
  calibrationOf,
  type ReliabilityClass,
  type Stated,
} from './calibration';
export { type HitRate, hitRates } from './hitRates';
export { type Call, judge, nearestTo, sideOf, turnedOut } from './judge';
export { overturnedBy, returningOf } from './returning';
export type { Called, Judged, MarkWorth, Outcome, Overturned } from './schema';
export { listedInstead } from './listing';
export { commonest, type Telling, tellingMarks } from './telling';
export * from './vocabulary';
