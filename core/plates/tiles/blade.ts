import type { TileOf } from '../../guide/tileSchema';
import { boxOf, curve, flat, type Point, sample } from '../geometry';
import { type Pen, shape, stroke } from '../pen';
import { type Half, halfOf, PROFILES } from './halves';
import { withMargin } from './margins';
import { paintPattern, UNPAINTED } from './patterns';
import { drawSurface, fringe, sidesAt } from './surfaces';

type Blade = TileOf<'blade'>;

/** Length of a tile's blade where it is longer than wide; else its width. Millimetres, only so that lines weigh as elsewhere. */
const LONGEST = 40;

/** A leaf, petal, scale or the like, its tip up. */
export function drawBlade(pen: Pen, tile: Blade): void {
  const margin = tile.margin ?? 'entire';
  const ratio = tile.ratio ?? PROFILES[tile.outline].ratio;
  const length = LONGEST * Math.min(1, ratio);
  const [right, left] = (['right', 'left'] as const).map((side) => withMargin(halfOf(tile, side), margin));
  const { points, sharp } = joined(right, left, length);
  const outline = curve(points, sharp);
  const tint = tile.colour ?? UNPAINTED;
  if (margin === 'ciliate') fringe(pen, 'blade', sample(outline, 6), { every: 0.055, length: 0.09, weight: 0.9 });
  shape(pen, { outline, part: 'blade', tint }, (polygon) => {
    paintPattern(pen, 'blade', polygon, tile);
    drawVeins(pen, polygon, tile.veins ?? 'none');
    drawSurface(pen, 'blade', polygon, tile.surface ?? 'smooth', tint);
  });
}

/** Both halves as one outline: up the right side, down the left. */
function joined(right: Half, left: Half, length: number): { points: Point[]; sharp: number[] } {
  const at =
    (sign: number) =>
    ([w, t]: Point): Point => [sign * w * length, -t * length];
  const last = left.points.length - 1;
  const points = [...right.points.map(at(1)), ...left.points.slice(1, last).map(at(-1)).reverse()];
  const sharp = [
    ...right.sharp,
    ...[...left.sharp].filter((i) => i > 0 && i < last).map((i) => right.points.length + (last - 1 - i)),
  ];
  return { points, sharp };
}

/** Where side veins leave the midrib, as shares of the length from the tip. */
const PAIRS = [0.26, 0.4, 0.54, 0.68, 0.8];

function drawVeins(pen: Pen, polygon: readonly Point[], veins: NonNullable<Blade['veins']>): void {
  if (veins === 'none') return;
  const edge = flat(polygon);
  const { x: west, y: top, width, height } = boxOf(polygon);
  const foot = top + height;
  const sides = (share: number) => sidesAt(edge, top + share * height, west, west + width);
  const line = (places: Point[], weight: number) => stroke(pen, 'veins', curve(places, [], false), weight);
  if (veins !== 'parallel')
    line(
      [
        [0, top + height * 0.06],
        [0, foot - height * 0.02],
      ],
      0.016,
    );
  if (veins === 'pinnate')
    for (const share of PAIRS) {
      const [left, right] = sides(share - 0.07);
      for (const side of [left, right])
        if (Number.isFinite(side))
          line(
            [
              [0, top + (share + 0.08) * height],
              [side * 0.45, top + (share + 0.02) * height],
              [side * 0.88, top + (share - 0.07) * height],
            ],
            0.009,
          );
    }
  if (veins === 'palmate')
    for (const [share, reach] of [
      [0.32, 0.8],
      [0.62, 0.88],
    ]) {
      const [left, right] = sides(share);
      for (const side of [left, right])
        if (Number.isFinite(side))
          line(
            [
              [0, foot - height * 0.06],
              [side * 0.5, top + (share * 0.55 + 0.42) * height],
              [side * reach, top + share * height],
            ],
            0.011,
          );
    }
  if (veins === 'parallel')
    for (const lane of [-0.55, -0.2, 0.2, 0.55]) {
      const places = [0.12, 0.3, 0.5, 0.7, 0.88].flatMap((share): Point[] => {
        const [left, right] = sides(share);
        return right > left ? [[(left + right) / 2 + (lane * (right - left)) / 2, top + share * height]] : [];
      });
      if (places.length > 2) line(places, 0.009);
    }
}
