import { type Point, polar } from '../geometry';
import type { TernModel } from './model';

/** From hundredths of the wing chord to millimetres. */
export type At = (p: Point) => Point;

export const atOf =
  (model: TernModel): At =>
  ([x, y]) => [(x * model.chord) / 100, (y * model.chord) / 100];

export const placed = (at: At, points: readonly Point[]): Point[] => points.map((p) => at(p));

/** The wrist of the folded wing, and where the longest primary ends: one wing chord apart. */
export const WRIST: Point = [33, 2.4];
export const WING_TIP: Point = polar(WRIST, 4.2, 100);

/** A tint darkened towards ink. */
export function shade(hex: string, by: number): string {
  const channel = (i: number) => Math.round(parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16) * by);
  return `#${[0, 1, 2].map((i) => channel(i).toString(16).padStart(2, '0')).join('')}`;
}
