import type { Shape } from '../guide/protocolSchema';
import { failed, done, type Outcome } from '../problem';

const LEAST = 5;
const MOST = 400;

/**
 * An outline written as its points: x and y on a line each, as the landmarks of a specimen are taken out.
 *
 * @returns its points from the foot on; or `shape-line` with the line that is none, `shape-few`, `shape-many`.
 */
export function shapeFrom(text: string): Outcome<Shape['points']> {
  const lines = text.split('\n').map((line) => line.trim());
  const points: Shape['points'] = [];
  for (const [i, line] of lines.entries()) {
    if (!line) continue;
    const numbers = line.split(/[\s,;]+/).map(Number);
    if (numbers.length !== 2 || !numbers.every(Number.isFinite))
      return failed({ code: 'shape-line', message: `Line ${i + 1} is no point: write x and y, as 12.5 40.`, field: 'between' });
    points.push([numbers[0], numbers[1]]);
  }
  if (points.length < LEAST)
    return failed({ code: 'shape-few', message: `An outline has at least ${LEAST} points, a line each.`, field: 'between' });
  if (points.length > MOST)
    return failed({
      code: 'shape-many',
      message: `An outline has at most ${MOST} points: leave out every other.`,
      field: 'between',
    });
  return done(points);
}

/** A closed line round an outline that fills a square of a side, as the commands of an SVG path; its foot below. */
export function shapePath({ points }: Shape, side: number): string {
  const turned = points.map(([x, y]) => [y, -x] as const);
  const [xs, ys] = [turned.map(([x]) => x), turned.map(([, y]) => y)];
  const [left, top] = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - left, Math.max(...ys) - top];
  const k = side / Math.max(width, height, Number.MIN_VALUE);
  const at = (v: number, low: number, extent: number) => ((v - low) * k + (side - extent * k) / 2).toFixed(1);
  return `M${turned.map(([x, y]) => `${at(x, left, width)} ${at(y, top, height)}`).join('L')}Z`;
}
