import { curvePath, dotPath, INK, type Ink, linePath, type Plate } from './display';
import {
  add,
  type Box,
  boxOf,
  type Curve,
  flat,
  inside,
  minus,
  type Point,
  rounded,
  runsClockwise,
  sample,
  thinned,
  times,
} from './geometry';
import { stipple, type Tone } from './stipple';

/**
 * `full` for plates; `thumb` for small whole animals, without stipple; `tile` for
 * state tiles, with few commands; `figure` for whole animals in a tile, with the fewest.
 */
export type Detail = 'full' | 'thumb' | 'tile' | 'figure';

/**
 * Collects the inks of a plate, back to front. All weights follow one size (the
 * carapace width of a crab), so that small animals are drawn as finely as large.
 */
export interface Pen {
  size: number;
  detail: Detail;
  inks: Ink[];
  parts: Record<string, Box>;
}

export const newPen = (size: number, detail: Detail): Pen => ({ size, detail, inks: [], parts: {} });

/** Where the light does not reach: light falls from the upper left. */
const SHADE: Point = [0.6, 0.8];

export interface Shape {
  outline: Curve;
  part: string;
  tint: string;
  tone?: Tone;
  /** Contour weight, 1 as usual. */
  weight?: number;
}

/** A closed part: tint, then what `onTop` draws, then stipple, then the weighted contour. */
export function shape(
  pen: Pen,
  { outline: whole, part, tint, tone, weight = 1 }: Shape,
  onTop?: (polygon: Point[]) => void,
): Point[] {
  const outline = pen.detail === 'full' && whole.points.length > MANY_KNOTS ? thinned(whole, IN_LINE) : whole;
  const polygon = sample(outline, pen.detail === 'full' ? 5 : 3);
  note(pen, part, polygon);
  const fill: Ink = { d: curvePath(outline), part, fill: tint };
  if (pen.detail !== 'full') {
    pen.inks.push({ ...fill, stroke: INK, strokeWidth: Math.round(pen.size * weight * 1.5) });
    onTop?.(polygon);
    return polygon;
  }
  pen.inks.push(fill);
  onTop?.(polygon);
  if (tone) {
    stippleIn(pen, part, polygon, tone);
    if (weight >= HATCHED) edgeHatch(pen, part, polygon);
  }
  pen.inks.push(contour(pen, part, outline, weight));
  return polygon;
}

export function note(pen: Pen, part: string, points: readonly Point[]): void {
  const known = pen.parts[part];
  const corners: Point[] = known
    ? [
        [known.x, known.y],
        [known.x + known.width, known.y + known.height],
      ]
    : [];
  pen.parts[part] = boxOf([...points, ...corners]);
}

/** From this contour weight on a rounded part is hatched along its shaded edge. */
const HATCHED = 0.75;

/** Short strokes from the shaded edge inwards, longest where it is darkest: what an engraver puts under a contour. */
function edgeHatch(pen: Pen, part: string, polygon: readonly Point[]): void {
  const turn = runsClockwise(polygon) ? 1 : -1;
  const box = boxOf(polygon);
  // Limbs are many and small: fewer strokes say it.
  const pitch = pen.size * (Math.max(box.width, box.height) > pen.size * 0.5 ? 0.038 : 0.1);
  const edge = flat(polygon);
  const strokes: string[] = [];
  let gone = 0;
  polygon.forEach((at, i) => {
    const next = polygon[(i + 1) % polygon.length];
    const along = minus(next, at);
    const length = Math.hypot(...along);
    if (length === 0) return;
    const out: Point = [(turn * along[1]) / length, (-turn * along[0]) / length];
    const dark = out[0] * SHADE[0] + out[1] * SHADE[1];
    if (dark > 0.3) {
      const lean: Point = [-out[0] * 0.82 + (along[0] / length) * 0.5, -out[1] * 0.82 + (along[1] / length) * 0.5];
      for (let d = (pitch - (gone % pitch)) % pitch; d < length; d += pitch) {
        const from = add(at, times(along, d / length));
        const to = add(from, times(lean, pen.size * (0.012 + 0.036 * dark * dark)));
        // In a narrow tip a stroke would come out on the other side.
        if (inside(edge, ...to)) strokes.push(linePath([from, to], false));
      }
    }
    gone += length;
  });
  if (strokes.length === 0) return;
  const strokeWidth = Math.max(1, Math.round(pen.size * 0.24));
  pen.inks.push({ d: strokes.join(''), part, stroke: INK, strokeWidth, opacity: 0.72 });
}

/** Light on a polished part: the same patch thrice, smaller and brighter, so that it has no edge. */
export function sheen(pen: Pen, part: string, patch: readonly Point[], light: string, strength: number): void {
  const box = boxOf(patch);
  const middle: Point = [box.x + box.width / 2, box.y + box.height / 2];
  for (const k of [1, 0.74, 0.46])
    wash(
      pen,
      part,
      patch.map((p) => add(middle, times(minus(p, middle), k))),
      light,
      strength / 3,
    );
}

/** An outline of more knots than this says no more by those that lie so nearly in line. */
const MANY_KNOTS = 8;
const IN_LINE = 0.0015;

/** A ribbon round the outline, thin towards the light and thick away from it; as smooth as the outline, at any size. */
function contour(pen: Pen, part: string, outline: Curve, weight: number): Ink {
  const line = outline.points;
  const n = line.length;
  const turn = runsClockwise(line) ? 1 : -1;
  const outer: Point[] = [];
  const inner: Point[] = [];
  line.forEach((at, i) => {
    const along = minus(line[(i + 1) % n], line[(i + n - 1) % n]);
    const length = Math.hypot(...along) || 1;
    const out: Point = [(turn * along[1]) / length, (-turn * along[0]) / length];
    const dark = Math.max(0, out[0] * SHADE[0] + out[1] * SHADE[1]);
    const half = pen.size * weight * (0.0028 + 0.0068 * dark * dark);
    outer.push(add(at, times(out, half)));
    inner.push(add(at, times(out, -half)));
  });
  return { d: curvePath({ ...outline, points: outer }) + curvePath({ ...outline, points: inner }), part, fill: INK };
}

/** From so few knots on a line needs places between them to swell and taper. */
const FEW_KNOTS = 4;

/** An open line that tapers to a point at both ends. */
export function stroke(pen: Pen, part: string, line: Curve, weight: number, color: string = INK, opacity?: number): void {
  if (pen.detail !== 'full') {
    const strokeWidth = Math.max(1, Math.round(pen.size * weight * 70));
    pen.inks.push({ d: curvePath(line), part, stroke: color, strokeWidth, ...(opacity === undefined ? {} : { opacity }) });
    return;
  }
  const per = line.points.length <= FEW_KNOTS ? 2 : 1;
  const points = sample(line, per);
  const n = points.length - 1;
  const sides = points.map((at, i) => {
    const along = minus(points[Math.min(n, i + 1)], points[Math.max(0, i - 1)]);
    const length = Math.hypot(...along) || 1;
    const half = (pen.size * weight * Math.sin((Math.PI * (i + 0.15)) / (n + 0.3))) / 2;
    const out = times([along[1] / length, -along[0] / length], half);
    return [add(at, out), minus(at, out)] as const;
  });
  const ring = [...sides.map(([a]) => a), ...sides.map(([, b]) => b).reverse()];
  const corners = [...line.sharp].flatMap((i) => [i * per, 2 * n + 1 - i * per]);
  const d = curvePath({ points: ring, sharp: new Set([0, n, n + 1, 2 * n + 1, ...corners]), closed: true });
  pen.inks.push({ d, part, fill: color, ...(opacity === undefined ? {} : { opacity }) });
}

/** Flat colour under the ink: a band, blotch or dark tip. */
export function wash(pen: Pen, part: string, polygon: readonly Point[], color: string, opacity = 1): void {
  if (polygon.length < 3) return;
  pen.inks.push({ d: pen.detail === 'full' ? curvePath(rounded(polygon)) : linePath(polygon), part, fill: color, opacity });
}

/** Round grains of one size: an ink ring with a lighter middle, moved towards the light by `lift`. */
export function grains(pen: Pen, part: string, at: readonly Point[], radius: number, tint: string, lift = 0): void {
  if (at.length === 0) return;
  const width = (r: number) => Math.max(1, Math.round(r * 200));
  const shadow = at.map(([x, y]): Point => [x + radius * lift, y + radius * lift * 1.3]);
  pen.inks.push({ d: dotPath(shadow), part, stroke: INK, strokeWidth: width(radius * 1.2) });
  pen.inks.push({ d: dotPath(at), part, stroke: tint, strokeWidth: width(radius) });
}

const DOT_SIZES = [0.0052, 0.0068, 0.0088];

/** Tone as dots; one path a size. */
export function stippleIn(pen: Pen, part: string, polygon: readonly Point[], tone: Tone): void {
  stipple(polygon, tone, pen.size * 0.62).forEach((dots, size) => {
    if (dots.length === 0) return;
    const strokeWidth = Math.max(1, Math.round(pen.size * DOT_SIZES[size] * 100));
    pen.inks.push({ d: dotPath(dots), part, stroke: INK, strokeWidth });
  });
}

/** Tone of a rounded part: darker towards the edge that is away from the light. */
export function roundTone(polygon: readonly Point[], depth: number, base = 0.03, most = 0.75): Tone {
  const box = boxOf(polygon);
  const cx = box.x + box.width / 2;
  const cy = box.y + box.height / 2;
  const near = nearness(
    polygon.filter((_, i) => i % 2 === 0),
    depth,
  );
  return (x, y, needed) => {
    const dx = x - cx;
    const dy = y - cy;
    const away = Math.min(1, 0.25 + (dx * SHADE[0] + dy * SHADE[1]) / (Math.hypot(dx, dy) || 1));
    if (away <= 0 || needed >= base + most * away) return base;
    const rim = Math.max(0, 1 - near(x, y) / depth);
    return base + most * rim * rim * away;
  };
}

/** How far the nearest of some points is; anything beyond `reach` may be told as Infinity. Points are kept by cells of that size. */
function nearness(points: readonly Point[], reach: number): (x: number, y: number) => number {
  const cells = new Map<number, number[]>();
  const cell = (x: number, y: number) => Math.floor(x / reach) * 65_537 + Math.floor(y / reach);
  for (const [x, y] of points) {
    const key = cell(x, y);
    const there = cells.get(key);
    if (there) there.push(x, y);
    else cells.set(key, [x, y]);
  }
  return (x, y) => {
    let least = Infinity;
    const middle = cell(x, y);
    for (let column = -65_537; column <= 65_537; column += 65_537)
      for (let row = -1; row <= 1; row++) {
        const there = cells.get(middle + column + row);
        if (!there) continue;
        for (let i = 0; i < there.length; i += 2) {
          const ex = there[i] - x;
          const ey = there[i + 1] - y;
          const square = ex * ex + ey * ey;
          if (square < least) least = square;
        }
      }
    return Math.sqrt(least);
  };
}

/** The finished plate, with a margin round everything drawn. */
export function finish(pen: Pen, margin = 0.06): Plate {
  const all = Object.values(pen.parts).flatMap((b): Point[] => [
    [b.x, b.y],
    [b.x + b.width, b.y + b.height],
  ]);
  const box = boxOf(all);
  const by = pen.size * margin;
  return {
    box: { x: box.x - by, y: box.y - by, width: box.width + 2 * by, height: box.height + 2 * by },
    inks: pen.inks,
    parts: pen.parts,
  };
}
