export type { Outcome } from './schema';
export * from './vocabulary';
