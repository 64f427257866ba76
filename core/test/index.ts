export { plainGuide, randomKey } from './keys';
export { lengths, type Lengths, toCsv } from './lengths';
export { linearDiscriminant, validated } from './discriminant';
export { keyedEnd } from './keyedEnd';
export * from './drawnSpecimens';
export { SMALL_KINDS, taughtBy } from './smallTables';
export { calledOver } from './calledOver';
export { meantKey, PRINTINGS, printed } from './printedKeys';
