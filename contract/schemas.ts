export * from './evidence';
export * from './guides';
export * from './photos';
export * from './problem';
export * from './session';
export * from './specimens';
