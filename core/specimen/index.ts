export * from './situation';
export * from './determination';
