import type { TileOf } from '../../guide/tileSchema';
import { curve, mix, onLine, type Point } from '../geometry';
import { type Pen, shape, stroke } from '../pen';
import { paintPattern, UNPAINTED } from './patterns';

type Fin = TileOf<'fin'>;

/** Length of a tail from its root to its longest tip. Millimetres. */
const LENGTH = 34;
/** Half the height of its root. */
const ROOT = 5;

/** The upper half of the hind end, from the upper tip to the midline: how far back and how far up, in lengths; corners by number. */
const ENDS: Record<Fin['end'], { points: readonly Point[]; sharp: readonly number[] }> = {
  forked: {
    points: [
      [1, -0.66],
      [0.7, -0.34],
      [0.5, -0.12],
      [0.44, 0],
    ],
    sharp: [0, 3],
  },
  notched: {
    points: [
      [0.94, -0.56],
      [0.88, -0.34],
      [0.8, -0.12],
      [0.77, 0],
    ],
    sharp: [0],
  },
  straight: {
    points: [
      [0.88, -0.54],
      [0.88, -0.3],
      [0.88, 0],
    ],
    sharp: [0],
  },
  rounded: {
    points: [
      [0.58, -0.54],
      [0.78, -0.44],
      [0.92, -0.24],
      [0.97, 0],
    ],
    sharp: [],
  },
  pointed: {
    points: [
      [0.5, -0.4],
      [0.72, -0.24],
      [0.9, -0.1],
      [1.06, 0],
    ],
    sharp: [3],
  },
  wedge: {
    points: [
      [0.62, -0.46],
      [0.74, -0.32],
      [0.86, -0.16],
      [0.98, 0],
    ],
    sharp: [0, 3],
  },
  lyre: {
    points: [
      [1.06, -0.7],
      [0.82, -0.56],
      [0.68, -0.3],
      [0.64, 0],
    ],
    sharp: [0],
  },
};

/** A tail, spread: its root at the left. */
export function drawFin(pen: Pen, tile: Fin): void {
  const { points, sharp } = ENDS[tile.end];
  const upper = points.map(([x, y]): Point => [x * LENGTH, y * LENGTH]);
  const root: Point = [0, -ROOT];
  const bend: Point = [upper[0][0] * 0.42, (root[1] + upper[0][1]) / 2 + 1.5];
  const half = [root, bend, ...upper];
  const last = half.length - 1;
  const lower = half
    .slice(0, last)
    .map(([x, y]): Point => [x, -y])
    .reverse();
  const corners = [0, ...sharp.map((i) => i + 2)];
  const outline = curve([...half, ...lower], [...corners, ...corners.filter((i) => i !== last).map((i) => 2 * last - i)]);
  const tint = tile.colour ?? UNPAINTED;
  shape(pen, { outline, part: 'fin', tint }, (polygon) => paintPattern(pen, 'fin', polygon, tile, 'right'));
  // Rays spread from the root to places along the hind end.
  const end = outline.points.slice(2, -2);
  const from = (share: number): Point => [1, (share - 0.5) * ROOT * 1.5];
  for (const share of [0.1, 0.3, 0.5, 0.7, 0.9]) {
    const to = onLine(end, share);
    const start = from(share);
    stroke(pen, 'rays', curve([start, mix(start, to, 0.5), mix(start, to, 0.9)], [], false), 0.01);
  }
}
