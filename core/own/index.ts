export { ownCells, type VerifiedRecord } from './cells';
export { asBooksSay, CORRECTED, correctionOf, isCorrected } from './correction';
export type { Followed, OwnCell } from './schema';
export { followedIn, OWN, withOwn, withoutOwn } from './source';
