export * from './problem';
