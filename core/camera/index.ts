export { type Clip, clipOf, drawsBeat } from './clip';
export { type Framed, frameShot } from './frame';
export type { Shot, ShotTruth } from './schema';
