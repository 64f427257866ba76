/** A point or vector; millimetres, y downwards. */
export type Point = readonly [number, number];

/** A smooth line through points; at `sharp` ones it turns a corner. */
export interface Curve {
  points: Point[];
  sharp: ReadonlySet<number>;
  closed: boolean;
}

export const curve = (points: Point[], sharp: Iterable<number> = [], closed = true): Curve => ({
  points,
  sharp: new Set(sharp),
  closed,
});

export const add = (a: Point, b: Point): Point => [a[0] + b[0], a[1] + b[1]];
export const minus = (a: Point, b: Point): Point => [a[0] - b[0], a[1] - b[1]];
export const times = (a: Point, k: number): Point => [a[0] * k, a[1] * k];
export const mix = (a: Point, b: Point, t: number): Point => [a[0] + (b[0] - a[0]) * t, a[1] + (b[1] - a[1]) * t];
export const distance = (a: Point, b: Point): number => Math.hypot(a[0] - b[0], a[1] - b[1]);

/** The point after a share of the steps of a line, whatever their lengths. */
export function onLine(line: readonly Point[], share: number): Point {
  const place = Math.min(line.length - 1, Math.max(0, share * (line.length - 1)));
  const from = Math.min(line.length - 2, Math.floor(place));
  return mix(line[from], line[from + 1], place - from);
}

/** The point at a distance in a direction (degrees clockwise from +x, as y runs down). */
export const polar = (from: Point, degrees: number, length: number): Point => [
  from[0] + length * Math.cos((degrees * Math.PI) / 180),
  from[1] + length * Math.sin((degrees * Math.PI) / 180),
];

export const rotate = (p: Point, about: Point, degrees: number): Point => {
  const a = (degrees * Math.PI) / 180;
  const [x, y] = minus(p, about);
  return [about[0] + x * Math.cos(a) - y * Math.sin(a), about[1] + x * Math.sin(a) + y * Math.cos(a)];
};

export const mapCurve = (c: Curve, to: (p: Point) => Point): Curve => ({ ...c, points: c.points.map(to) });

/** A left half as the mirror image of a right half; the order of points is turned so that outlines stay clockwise. */
export function mirrored(c: Curve, axis = 0): Curve {
  const last = c.points.length - 1;
  return {
    points: c.points.map(([x, y]): Point => [2 * axis - x, y]).reverse(),
    sharp: new Set([...c.sharp].map((i) => last - i)),
    closed: c.closed,
  };
}

/** The two Bézier handles of a uniform Catmull–Rom segment from point i to the next (Catmull & Rom 1974). */
export function handles(c: Curve, i: number): [Point, Point, Point, Point] {
  const n = c.points.length;
  const at = (k: number): Point => (c.closed ? c.points[(k + n) % n] : c.points[Math.max(0, Math.min(n - 1, k))]);
  const from = at(i);
  const to = at(i + 1);
  const before = c.sharp.has(i) ? from : at(i - 1);
  const after = c.sharp.has((i + 1) % n) ? to : at(i + 2);
  return [from, add(from, times(minus(to, before), 1 / 6)), minus(to, times(minus(after, from), 1 / 6)), to];
}

/** Where a line through points turns by more than this, in radians, it has a corner. */
const CORNER = 0.6;

/** A place of a flat patch that lies no further from the straight line between those beside it, as a share of the whole, is not missed. */
const NEAR = 0.006;

/** How much a closed line turns at each of its points, in radians. */
function turnsOf(points: readonly Point[]): number[] {
  const n = points.length;
  const heading = points.map((at, i) => {
    const [dx, dy] = minus(points[(i + 1) % n], at);
    return Math.atan2(dy, dx);
  });
  return heading.map((to, i) => {
    const turn = Math.abs(to - heading[(i + n - 1) % n]);
    return Math.min(turn, 2 * Math.PI - turn);
  });
}

/**
 * A closed curve with fewer knots: of those that lie nearly in line, every other one.
 *
 * @param share how far a knot may lie from the straight line between those beside it, as a share of the whole.
 */
export function thinned({ points, sharp, closed }: Curve, share: number): Curve {
  const n = points.length;
  const { width, height } = boxOf(points);
  const near = share * Math.hypot(width, height);
  const kept: Point[] = [];
  const corners: number[] = [];
  let dropped = true;
  points.forEach((at, i) => {
    const [before, after] = [points[(i + n - 1) % n], points[(i + 1) % n]];
    const beside = [i + n - 1, i, i + 1].some((k) => sharp.has(k % n));
    dropped = !dropped && !beside && i < n - 1 && offLine(at, before, after) < near;
    if (dropped) return;
    if (sharp.has(i)) corners.push(kept.length);
    kept.push(at);
  });
  return curve(kept, corners, closed);
}

/** How far a point lies from the straight line through two others. */
function offLine(at: Point, a: Point, b: Point): number {
  const [dx, dy] = minus(b, a);
  const [px, py] = minus(at, a);
  return Math.abs(px * dy - py * dx) / (Math.hypot(dx, dy) || 1);
}

/** A closed curve through the points of a polygon, round but where the polygon has a corner. */
export function rounded(polygon: readonly Point[]): Curve {
  const corners = turnsOf(polygon).flatMap((turn, i) => (turn > CORNER ? [i] : []));
  return thinned(curve([...polygon], corners), NEAR);
}

/** Points along the curve, `per` to a segment. */
export function sample(c: Curve, per: number): Point[] {
  const segments = c.closed ? c.points.length : c.points.length - 1;
  const out: Point[] = [];
  for (let i = 0; i < segments; i++) {
    const [a, b, d, e] = handles(c, i);
    for (let k = 0; k < per; k++) out.push(bezier(a, b, d, e, k / per));
  }
  if (!c.closed) out.push(c.points[c.points.length - 1]);
  return out;
}

function bezier(a: Point, b: Point, c: Point, d: Point, t: number): Point {
  const u = 1 - t;
  const [wa, wb, wc, wd] = [u * u * u, 3 * u * u * t, 3 * u * t * t, t * t * t];
  return [wa * a[0] + wb * b[0] + wc * c[0] + wd * d[0], wa * a[1] + wb * b[1] + wc * c[1] + wd * d[1]];
}

export interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

export function boxOf(points: readonly Point[]): Box {
  let [x0, y0, x1, y1] = [Infinity, Infinity, -Infinity, -Infinity];
  // Every outline of every plate comes through here: places and comparisons are read faster than taken apart.
  for (let i = 0; i < points.length; i++) {
    const at = points[i];
    if (at[0] < x0) x0 = at[0];
    if (at[0] > x1) x1 = at[0];
    if (at[1] < y0) y0 = at[1];
    if (at[1] > y1) y1 = at[1];
  }
  return { x: x0, y: y0, width: x1 - x0, height: y1 - y0 };
}

export const grow = (box: Box, by: number): Box => ({
  x: box.x - by,
  y: box.y - by,
  width: box.width + 2 * by,
  height: box.height + 2 * by,
});

/** x, y, x, y …: what the inner loops of stippling read. */
export const flat = (points: readonly Point[]): Float64Array => Float64Array.from(points.flat());

/** Even–odd rule, on a {@link flat} polygon. */
export function inside(polygon: Float64Array, x: number, y: number): boolean {
  let within = false;
  for (let i = 0, j = polygon.length - 2; i < polygon.length; j = i, i += 2) {
    const yi = polygon[i + 1];
    const yj = polygon[j + 1];
    if (yi > y !== yj > y && x < ((polygon[j] - polygon[i]) * (y - yi)) / (yj - yi) + polygon[i]) within = !within;
  }
  return within;
}

/** Distance from a point to an open {@link flat} polyline. */
export function distanceTo(line: Float64Array, x: number, y: number): number {
  let least = Infinity;
  for (let i = 2; i < line.length; i += 2) {
    const ax = line[i - 2];
    const ay = line[i - 1];
    const dx = line[i] - ax;
    const dy = line[i + 1] - ay;
    const t = Math.max(0, Math.min(1, ((x - ax) * dx + (y - ay) * dy) / (dx * dx + dy * dy || 1)));
    const ex = ax + t * dx - x;
    const ey = ay + t * dy - y;
    least = Math.min(least, ex * ex + ey * ey);
  }
  return Math.sqrt(least);
}

/** Twice the signed area is above 0 for outlines that run clockwise on the sheet. */
export function runsClockwise(polygon: readonly Point[]): boolean {
  let area = 0;
  polygon.forEach(([x, y], i) => {
    const [nx, ny] = polygon[(i + 1) % polygon.length];
    area += x * ny - nx * y;
  });
  return area > 0;
}

/** The part of a polygon on the side of a line where (p − at) · normal ≥ 0 (Sutherland & Hodgman 1974). */
export function cut(polygon: readonly Point[], at: Point, normal: Point): Point[] {
  const side = (p: Point) => (p[0] - at[0]) * normal[0] + (p[1] - at[1]) * normal[1];
  return polygon.flatMap((p, i) => {
    const q = polygon[(i + 1) % polygon.length];
    const [sp, sq] = [side(p), side(q)];
    const crossing = sp >= 0 !== sq >= 0 ? [mix(p, q, sp / (sp - sq))] : [];
    return sp >= 0 ? [p, ...crossing] : crossing;
  });
}
