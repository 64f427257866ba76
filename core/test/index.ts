export { plainGuide, randomKey } from './keys';
export { lengths, type Lengths, toCsv } from './lengths';
export { keyedEnd } from './keyedEnd';
export * from './drawnSpecimens';
export { SMALL_KINDS, taughtBy } from './smallTables';
export { calledOver } from './calledOver';
