import type { TileOf } from '../../guide/tileSchema';
import { type Curve, curve, mirrored, mix, onLine, type Point } from '../geometry';
import { type Pen, shape, stroke } from '../pen';
import { paintPattern, UNPAINTED } from './patterns';
import { drawSurface } from './surfaces';

type Cap = TileOf<'cap'>;

/** Half the width of a cap; its margin lies at height 0, and y runs down. Millimetres. */
const HALF = 20;

/** The right half of a cap's upper side, from the middle to the margin, in half widths; corners by number. */
const UPPER: Record<Cap['profile'], { points: readonly Point[]; sharp?: readonly number[] }> = {
  convex: {
    points: [
      [0, -0.72],
      [0.4, -0.65],
      [0.78, -0.38],
      [1, 0.02],
    ],
  },
  flat: {
    points: [
      [0, -0.22],
      [0.5, -0.21],
      [0.85, -0.14],
      [1, 0.02],
    ],
  },
  conical: {
    points: [
      [0, -1.25],
      [0.3, -0.8],
      [0.65, -0.36],
      [1, 0.04],
    ],
    sharp: [0],
  },
  bell: {
    points: [
      [0, -1.2],
      [0.3, -1.08],
      [0.58, -0.66],
      [0.74, -0.2],
      [0.98, 0.08],
    ],
  },
  umbonate: {
    points: [
      [0, -0.78],
      [0.13, -0.7],
      [0.28, -0.46],
      [0.62, -0.34],
      [1, 0.02],
    ],
  },
  depressed: {
    points: [
      [0, -0.2],
      [0.3, -0.26],
      [0.6, -0.34],
      [0.86, -0.22],
      [1, 0.02],
    ],
  },
  funnel: {
    points: [
      [0, -0.62],
      [0.5, -0.68],
      [0.85, -0.72],
      [1, -0.6],
    ],
  },
  globose: {
    points: [
      [0, -1.3],
      [0.5, -1.18],
      [0.92, -0.74],
      [0.98, -0.2],
      [0.62, 0.16],
    ],
  },
};

/** How far below the margin the underside reaches at the stalk, in half widths. */
const DEPTH: Partial<Record<Cap['profile'], number>> = { funnel: 1, globose: 0.2, bell: 0.1 };

/** Half widths of the stalk, from the cap to the ground, in half widths of the cap. */
const STALK: Record<Exclude<NonNullable<Cap['stalk']>, 'none'>, readonly number[]> = {
  straight: [0.15, 0.14, 0.14, 0.16],
  bulbous: [0.13, 0.14, 0.2, 0.33],
  tapering: [0.24, 0.2, 0.14, 0.05],
  ringed: [0.15, 0.14, 0.15, 0.19],
};
const STALK_LENGTH = 1.5;
const PALE = '#efe8d6';

/** A fungus from the side: its stalk, what is under its cap, and the cap. */
export function drawCap(pen: Pen, tile: Cap): void {
  const { points, sharp } = UPPER[tile.profile];
  const at = ([x, y]: Point): Point => [x * HALF, y * HALF];
  const upper = points.map(at);
  const margin = upper[upper.length - 1];
  const depth = (DEPTH[tile.profile] ?? 0.14) * HALF + margin[1];
  const inner: Point = [0.17 * HALF, depth];
  const stalk = tile.stalk ?? 'straight';
  if (stalk !== 'none') drawStalk(pen, stalk, depth - 1);
  drawUnder(pen, tile.under ?? 'gills', margin, inner);
  const half = curve(upper, sharp, false);
  const whole = [...mirrored(half).points.slice(0, -1), ...upper];
  // What lies under the cap closes it: a shallow line, so that the margin stands out.
  const closed = curve(
    [...whole, [0, margin[1] + (inner[1] - margin[1]) * (tile.profile === 'funnel' ? 0.1 : 0.35)]],
    [...(sharp ? [upper.length - 1] : []), 0, whole.length - 1],
  );
  const tint = tile.colour ?? UNPAINTED;
  shape(pen, { outline: closed, part: 'cap', tint }, (polygon) => {
    // What lies in the middle from above lies on top from the side.
    const inMiddle = tile.pattern === 'centred' || tile.pattern === 'eyed';
    paintPattern(pen, 'cap', polygon, inMiddle ? { ...tile, pattern: 'tipped' } : tile);
    drawSurface(pen, 'cap', polygon, tile.surface ?? 'smooth', tint);
  });
}

function drawStalk(pen: Pen, stalk: keyof typeof STALK, top: number): void {
  const widths = STALK[stalk];
  const step = (STALK_LENGTH * HALF) / (widths.length - 1);
  const right = widths.map((half, i): Point => [half * HALF, top + i * step]);
  const outline = curve([...right, ...right.map(([x, y]): Point => [-x, y]).reverse()], [0, right.length * 2 - 1]);
  shape(pen, { outline, part: 'stalk', tint: PALE });
  if (stalk !== 'ringed') return;
  const y = top + step * 0.9;
  const ring: Curve = curve(
    [
      [-0.17, -0.06],
      [0.17, -0.06],
      [0.36, 0.16],
      [0, 0.1],
      [-0.36, 0.16],
    ].map(([x, dy]): Point => [x * HALF, y + dy * HALF]),
    [0, 1, 2, 4],
  );
  shape(pen, { outline: ring, part: 'ring', tint: PALE });
}

function drawUnder(pen: Pen, under: NonNullable<Cap['under']>, margin: Point, inner: Point): void {
  const left = (p: Point): Point => [-p[0], p[1]];
  const low: Point = [margin[0] * 0.55, margin[1] + (inner[1] - margin[1]) * 0.75];
  const outline = curve([left(margin), [0, margin[1] - 1], margin, low, inner, left(inner), left(low)], [0, 2, 4, 5]);
  shape(pen, { outline, part: 'under', tint: PALE });
  if (under === 'smooth') return;
  for (let i = 1; i < 8; i++) {
    const end = onLine([margin, low, inner], i / 8);
    for (const to of [end, left(end)]) {
      if (under === 'gills') {
        const from: Point = [to[0] * 0.82, margin[1] + (to[1] - margin[1]) * 0.1];
        stroke(pen, 'under', curve([from, mix(from, to, 0.5), to], [], false), 0.011);
      } else if (under === 'spines')
        stroke(pen, 'under', curve([to, [to[0], to[1] + 1.6], [to[0] * 0.99, to[1] + 3.4]], [], false), 0.02);
      else
        stroke(
          pen,
          'under',
          curve(
            [
              [to[0], to[1] - 0.9],
              [to[0], to[1] - 0.2],
            ],
            [],
            false,
          ),
          0.032,
        );
    }
  }
}
