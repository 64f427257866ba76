export type { Determination, Media, Summary } from './schema';
export * from './vocabulary';
export { nameParts } from './naming';
export { type GivenName, overrules, recommendedName } from './recommended';
export { summarise } from './summary';
