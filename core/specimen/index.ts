export * from './situation';
export * from './determination';
export * from './summary';
export * from './recommended';
export * from './facets';
export { sayComparison, sayReading, sayValue } from './sayReading';
export { typesetName } from './typeset';
