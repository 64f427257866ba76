export { type Difference, type DifferentPart, differencesOf, differentParts } from './differences';
