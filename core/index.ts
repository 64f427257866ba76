export * from './problem';
export * from './stableJson';
