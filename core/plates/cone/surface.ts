import type { Point } from '../geometry';
import type { ConeModel } from './model';
import { bodyHalf, halfAt, spireHeight, widthOf } from './outline';

/** Growth lines and bands dip this far at the middle, as a share of the width: the shell is round. */
const DIP = 0.17;

/**
 * A point of the body whorl: θ round it (−π/2 left edge … π/2 right), t along it
 * (0 shoulder … 1 base). What lies round the side is drawn narrower, as it is seen.
 */
export function onBody(model: ConeModel, theta: number, t: number): Point {
  const spire = spireHeight(model);
  const body = model.length - spire;
  const half = bodyHalf(model, Math.min(1, Math.max(0, t)));
  const dip = DIP * half * Math.cos(theta) * (1 - 0.4 * t);
  // Near the base the dip runs out, so that nothing is drawn beyond it.
  const room = Math.min(1, (1 - t) * 5);
  return [half * Math.sin(theta) * 0.985, spire + body * t + dip * Math.min(1, 0.45 + t * 4) * Math.max(0, room)];
}

/** A point of the spire at t (0 apex … 1 shoulder), θ round it. */
export function onSpire(model: ConeModel, theta: number, t: number): Point {
  const height = spireHeight(model);
  const half = halfAt(model, height * Math.min(0.999, t));
  return [half * Math.sin(theta), height * t + DIP * 0.75 * half * Math.cos(theta) * t];
}

/** A line round the body at t. */
export const ringAt = (model: ConeModel, t: number, from = -1.5, to = 1.5, steps = 12): Point[] =>
  Array.from({ length: steps + 1 }, (_, i) => onBody(model, from + ((to - from) * i) / steps, t));

export const sizeOf = (model: ConeModel): number => Math.max(widthOf(model), model.length * 0.5);
