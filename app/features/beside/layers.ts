import { type Match, matchOf } from '@plesion/core/measure';
import type { Size, View } from '../measure/view';
import type { Pair } from './pictures';

/** How two pictures are looked at: next to each other, one wiped over the other, or one shining through. */
export const WAYS = ['beside', 'swipe', 'through'] as const;
export type Way = (typeof WAYS)[number];

export const NO_MATCH: Match = { a: 1, b: 0, dx: 0, dy: 0, mirrored: false };

/** One picture on another: by two places where both are known, else as large as it and in the middle. */
export function laidOn(own: Size, other: Size, pair: Pair | undefined, otherPair: Pair | undefined, mirrored: boolean): Match {
  const matched = pair && otherPair && matchOf(otherPair, pair, mirrored);
  if (matched) return matched;
  const by = Math.min(own.width / other.width, own.height / other.height);
  const sense = mirrored ? -1 : 1;
  return {
    a: by,
    b: 0,
    dx: own.width / 2 - (sense * by * other.width) / 2,
    dy: own.height / 2 - (by * other.height) / 2,
    mirrored,
  };
}

/** A picture's pixels to those of the screen, as CSS says it. */
export function cssMatrix({ scale, x, y }: View, { a, b, dx, dy, mirrored }: Match): string {
  const sense = mirrored ? -1 : 1;
  const of = [scale * a * sense, scale * b * sense, -scale * b, scale * a, scale * dx + x, scale * dy + y];
  return `matrix(${of.map((one) => Number(one.toFixed(6))).join(', ')})`;
}
