export type { Reading, RelativeValue, Situation } from './schema';
export * from './vocabulary';
export { fittedTo } from './fitted';
export { byEye, checkReadings, ratioOf, valueOf } from './reading';
export { sayMeasured, sayReading, sayValue } from './sayReading';
