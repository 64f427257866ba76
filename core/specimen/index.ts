export type { Determination, GivenName, Media, Summary } from './schema';
export * from './vocabulary';
export { nameParts } from './naming';
export { overrules, recommendedName } from './recommended';
export { summarise } from './summary';
export { describePhoto, type KeptPhoto, photosOf, withoutPhoto, withPhoto, withTop } from './photos';
