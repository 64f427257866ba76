import { eigenSymmetric, inverse, solve } from '../linear';
import type { PixelPoint, Scale } from './schema';

type Matched = Extract<Scale, { kind: 'grid' }>['points'];

/** A plane seen aslant, put right: from pixels to millimetres. */
export interface Plane {
  /** A pixel's place in the plane, in mm. */
  toPlane: (pixel: PixelPoint) => PixelPoint;
  /** Is anything of the plane seen there? Nothing is beyond its vanishing line. */
  sees: (pixel: PixelPoint) => boolean;
  /** ∂ place ÷ ∂ pixel, as rows: [[∂X/∂x, ∂X/∂y], [∂Y/∂x, ∂Y/∂y]]. */
  slope: (pixel: PixelPoint) => [[number, number], [number, number]];
  /** ∂ place ÷ ∂ each of the eight numbers of the plane: two rows of eight. */
  byPlane: (pixel: PixelPoint) => [number[], number[]];
  /** Covariance of the eight numbers for a pointing error of 1 px. */
  covariance: number[][];
  /** How far the points of the grid lie from where the plane has them: root mean square, in pixels. */
  reprojection: number;
  /** Points more than are needed, each way: 2n − 8. */
  spare: number;
}

/** Steps of the refinement: it is quadratic near its end. */
const MOST_STEPS = 50;

/**
 * The plane of a grid from where its crossings are seen: the direct linear transform on
 * normalised coordinates (Hartley 1997), then the eight numbers that bring the crossings
 * nearest to where they are seen, in pixels (Gauss–Newton). Its error goes on to what is
 * measured by the covariance of a least-squares fit, σ² (JᵀJ)⁻¹.
 *
 * @param points at least four, no three of them in line. @returns undefined where they make no plane.
 */
export function planeOf(points: Matched): Plane | undefined {
  const there = normaliser(points.map(({ mm }) => mm));
  const here = normaliser(points.map(({ at }) => at));
  if (!there || !here) return undefined;
  const first = directLinear(points.map(({ at, mm }) => ({ at: here.to(at), mm: there.to(mm) })));
  if (!first || Math.abs(first[8]) < 1e-12) return undefined;
  // The fit stays in normalised coordinates, where all of its numbers are of one size.
  const pairs = points.map(({ at, mm }) => ({ at: here.to(at), mm: there.to(mm) }));
  let h = first.slice(0, 8).map((value) => value / first[8]);
  let normal = normalEquations(h, pairs);
  for (let step = 0; step < MOST_STEPS; step++) {
    const change = solve(normal.matrix, normal.right);
    if (!change) return undefined;
    h = h.map((value, k) => value + change[k]);
    normal = normalEquations(h, pairs);
    if (change.every((value, k) => Math.abs(value) <= 1e-13 * (1 + Math.abs(h[k])))) break;
  }
  const unit = inverse(normal.matrix);
  if (!unit || !h.every(Number.isFinite)) return undefined;
  // One pixel is here.scale of the normalised length.
  const covariance = unit.map((row) => row.map((value) => value * here.scale ** 2));
  const toPlane = (pixel: PixelPoint) => there.from(back(h, here.to(pixel)));
  const slopesAt = (pixel: PixelPoint) => {
    const X = back(h, here.to(pixel));
    const out = forward(h, X);
    const det = out.byX[0][0] * out.byX[1][1] - out.byX[0][1] * out.byX[1][0];
    // The slope of the way back is the inverse of the slope of the way there.
    const inner = [
      [out.byX[1][1] / det, -out.byX[0][1] / det],
      [-out.byX[1][0] / det, out.byX[0][0] / det],
    ];
    return { out, inner };
  };
  /** Positive before the camera, in the sense of the grid's own points; see {@link forward}. */
  const depth = ([X, Y]: PixelPoint) => h[6] * X + h[7] * Y + 1;
  const before = Math.sign(depth(pairs[0].mm));
  return {
    toPlane,
    sees: (pixel) => Math.sign(depth(back(h, here.to(pixel)))) === before,
    slope(pixel) {
      const { inner } = slopesAt(pixel);
      const k = here.scale / there.scale;
      return [
        [inner[0][0] * k, inner[0][1] * k],
        [inner[1][0] * k, inner[1][1] * k],
      ];
    },
    byPlane(pixel) {
      const { out, inner } = slopesAt(pixel);
      const row = (r: 0 | 1) =>
        out.byH[0].map((_, k) => -(inner[r][0] * out.byH[0][k] + inner[r][1] * out.byH[1][k]) / there.scale);
      return [row(0), row(1)];
    },
    covariance,
    reprojection: Math.sqrt(normal.squares / points.length) / here.scale,
    spare: 2 * points.length - 8,
  };
}

/** Where a plane's point is seen, with its slopes against the point and against the eight numbers. */
function forward(h: readonly number[], [X, Y]: PixelPoint) {
  const w = h[6] * X + h[7] * Y + 1;
  const x = (h[0] * X + h[1] * Y + h[2]) / w;
  const y = (h[3] * X + h[4] * Y + h[5]) / w;
  return {
    at: [x, y] as const,
    byX: [
      [(h[0] - x * h[6]) / w, (h[1] - x * h[7]) / w],
      [(h[3] - y * h[6]) / w, (h[4] - y * h[7]) / w],
    ],
    byH: [
      [X / w, Y / w, 1 / w, 0, 0, 0, (-x * X) / w, (-x * Y) / w],
      [0, 0, 0, X / w, Y / w, 1 / w, (-y * X) / w, (-y * Y) / w],
    ],
  };
}

/** The plane's point that is seen at a place: two equations that are linear in it. */
function back(h: readonly number[], [x, y]: PixelPoint): PixelPoint {
  const [a, b, c] = [h[0] - x * h[6], h[1] - x * h[7], x - h[2]];
  const [d, e, f] = [h[3] - y * h[6], h[4] - y * h[7], y - h[5]];
  const det = a * e - b * d;
  return [(c * e - b * f) / det, (a * f - c * d) / det];
}

function normalEquations(h: readonly number[], pairs: readonly { at: PixelPoint; mm: PixelPoint }[]) {
  const matrix = h.map(() => h.map(() => 0));
  const right = h.map(() => 0);
  let squares = 0;
  for (const { at, mm } of pairs) {
    const out = forward(h, mm);
    for (const r of [0, 1] as const) {
      const left = at[r] - out.at[r];
      squares += left * left;
      out.byH[r].forEach((slope, i) => {
        right[i] += slope * left;
        out.byH[r].forEach((other, j) => (matrix[i][j] += slope * other));
      });
    }
  }
  return { matrix, right, squares };
}

/** The null vector of the equations of the direct linear transform: nine numbers, undefined where there is more than one. */
function directLinear(pairs: readonly { at: PixelPoint; mm: PixelPoint }[]): number[] | undefined {
  const square = Array.from({ length: 9 }, () => new Array<number>(9).fill(0));
  for (const {
    at: [x, y],
    mm: [X, Y],
  } of pairs)
    for (const row of [
      [X, Y, 1, 0, 0, 0, -x * X, -x * Y, -x],
      [0, 0, 0, X, Y, 1, -y * X, -y * Y, -y],
    ])
      row.forEach((a, i) => row.forEach((b, j) => (square[i][j] += a * b)));
  const { values, vectors } = eigenSymmetric(square);
  return values[1] > 1e-10 * values[8] ? vectors[0] : undefined;
}

/** Moves points about 0 and to a mean distance of √2, and back. */
function normaliser(points: readonly PixelPoint[]) {
  const n = points.length;
  const mean = [0, 1].map((c) => points.reduce((sum, p) => sum + p[c], 0) / n);
  const far = points.reduce((sum, p) => sum + Math.hypot(p[0] - mean[0], p[1] - mean[1]), 0) / n;
  if (!(far > 0)) return undefined;
  const scale = Math.SQRT2 / far;
  return {
    scale,
    to: (p: PixelPoint): PixelPoint => [(p[0] - mean[0]) * scale, (p[1] - mean[1]) * scale],
    from: (p: PixelPoint): PixelPoint => [p[0] / scale + mean[0], p[1] / scale + mean[1]],
  };
}
