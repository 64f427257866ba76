export { ownCells, type VerifiedRecord } from './cells';
export type { Followed, OwnCell } from './schema';
export { followedIn, OWN, withOwn, withoutOwn } from './source';
