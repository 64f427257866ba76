import { boxOf, type Point } from './geometry';

/** A length on the plate, along straight lines. */
export interface Measure {
  name: string;
  line: Point[];
}

/** Millimetres along a measure. */
export const lengthOf = ({ line }: Measure): number =>
  line.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - line[i][0], y - line[i][1]), 0);

/** Degrees between the first and last leg of a measure of three points, at the middle one. */
export function angleOf({ line: [a, at, b] }: Measure): number {
  const [p, q] = [a, b].map(([x, y]) => Math.atan2(y - at[1], x - at[0]));
  const turn = (Math.abs(p - q) * 180) / Math.PI;
  return turn > 180 ? 360 - turn : turn;
}

/** The greatest width of an outline, as a level line at its rightmost point. */
export function widestOf(outline: readonly Point[], name: string): Measure {
  const box = boxOf(outline);
  const right = outline.reduce((a, b) => (b[0] > a[0] ? b : a));
  return {
    name,
    line: [
      [box.x, right[1]],
      [box.x + box.width, right[1]],
    ],
  };
}
