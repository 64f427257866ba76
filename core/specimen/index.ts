export * from './situation';
export * from './determination';
export * from './summary';
