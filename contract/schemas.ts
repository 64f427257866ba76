export * from './evidence';
export * from './guides';
export * from './problem';
export * from './session';
export * from './specimens';
