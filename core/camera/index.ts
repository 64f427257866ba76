export { type Framed, frameShot } from './frame';
export type { Shot, ShotTruth } from './schema';
