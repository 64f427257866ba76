export { type Difference, differencesOf } from './differences';
