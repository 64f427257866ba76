export { lookAt, type Named } from './look';
export type { Look, ReviewReason, WantedView } from './schema';
export * from './vocabulary';
export { type Circumstances, worthOf } from './worth';
