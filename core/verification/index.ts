export {
  atThresholds,
  type AtThreshold,
  type Calibration,
  calibrationOf,
  type ReliabilityClass,
  type Stated,
} from './calibration';
export type { Outcome } from './schema';
export * from './vocabulary';
