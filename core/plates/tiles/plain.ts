import type { TileOf } from '../../guide/tileSchema';
import { curve, type Point } from '../geometry';
import { type Pen, shape } from '../pen';
import { UNPAINTED } from './patterns';

/** The longest bar, and how far from one to the next. Millimetres. */
const LONGEST = 40;
const PITCH = 11;
const THICK = 7;
const INKED = ['#2f6f6a', '#c7a25a', '#8a5a44', '#6b7f9c'];

/** Lengths beside each other, from the first down, all from one line. */
export function drawBars(pen: Pen, { lengths }: TileOf<'bars'>): void {
  const most = Math.max(...lengths);
  lengths.forEach((length, i) => {
    const end = Math.max(1, (LONGEST * length) / most);
    const top = i * PITCH;
    const corners: Point[] = [
      [0, top],
      [end, top],
      [end, top + THICK],
      [0, top + THICK],
    ];
    shape(pen, { outline: curve(corners, [0, 1, 2, 3]), part: 'bars', tint: INKED[i] ?? UNPAINTED });
  });
}

/** A dab of paint, in its own size. */
const DAB: readonly Point[] = [
  [-0.2, -1],
  [0.52, -0.86],
  [0.98, -0.3],
  [0.9, 0.46],
  [0.36, 0.96],
  [-0.42, 0.9],
  [-0.98, 0.36],
  [-0.9, -0.5],
];

/** Where the dabs of so many colours lie, and how large. */
const PLACES: readonly (readonly (readonly [x: number, y: number, size: number])[])[] = [
  [[0, 0, 18]],
  [
    [-8, -4, 14],
    [9, 6, 12],
  ],
  [
    [-9, -7, 12],
    [9, -5, 11],
    [0, 10, 11],
  ],
  [
    [-9, -9, 11],
    [9, -8, 10],
    [-8, 9, 10],
    [10, 9, 10],
  ],
];

/** Colours as dabs of paint. */
export function drawSwatch(pen: Pen, { colours }: TileOf<'swatch'>): void {
  PLACES[colours.length - 1].forEach(([x, y, size], i) =>
    shape(pen, {
      outline: curve(DAB.map(([dx, dy]): Point => [x + dx * size, y + dy * size])),
      part: 'swatch',
      tint: colours[i],
    }),
  );
}
