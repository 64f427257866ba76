export { BEAT_VIEW, type Clip, clipFrom, clipOf, drawsBeat } from './clip';
export { type Framed, frameShot, STROKES } from './frame';
export type { Shot, ShotTruth } from './schema';
