import { curvePath, INK, linePath } from '../display';
import { type Curve, curve, cut, minus, type Point, sample } from '../geometry';
import { type Pen, shape, stroke, wash } from '../pen';

/** One flight or tail feather, from its root to its tip. */
export interface Feather {
  root: Point;
  tip: Point;
  /** Greatest width. */
  width: number;
  /** How far the shaft bows to the right of its way, as a share of its length. */
  bow?: number;
  /** 0 a broad round end … 1 drawn out to a point. */
  taper?: number;
}

/** A point of a feather: `t` along its shaft, `u` across, −1 and 1 on its edges. */
export function onFeather({ root, tip, width, bow = 0, taper = 0.4 }: Feather, t: number, u: number): Point {
  const [ax, ay] = minus(tip, root);
  const length = Math.hypot(ax, ay) || 1;
  const out: Point = [-ay / length, ax / length];
  const body = t < 0.25 ? 0.45 + 2.2 * t : t > 0.62 ? 1 - taper * 0.62 * ((t - 0.62) / 0.38) ** 1.6 : 1;
  const end = t > 0.9 ? Math.sqrt(Math.max(0, 1 - ((t - 0.9) / 0.1) ** 2)) : 1;
  const off = (u * width * body * end) / 2 + bow * length * Math.sin(Math.PI * Math.min(1, t * 0.96));
  return [root[0] + ax * t + out[0] * off, root[1] + ay * t + out[1] * off];
}

function featherOutline(feather: Feather, full: boolean): Curve {
  const stops = full ? [0, 0.26, 0.6, 0.93] : [0.08, 0.8];
  return curve([
    ...stops.map((t) => onFeather(feather, t, -1)),
    onFeather(feather, 1, 0),
    ...stops.reverse().map((t) => onFeather(feather, t, 1)),
  ]);
}

/** Dark or light on a feather: everything beyond `from` along its way (and before `to`). */
export interface FeatherMark {
  from: number;
  to?: number;
  colour: string;
  opacity?: number;
}

/**
 * Draws one feather: vane, marks clipped to it, barbs as one hatch, shaft.
 *
 * @param side the edge on which the barbs are hatched, −1 or 1; 0 for none.
 */
export function drawFeather(
  pen: Pen,
  feather: Feather,
  {
    part,
    tint,
    marks = [],
    side = 1,
    weight = 0.42,
  }: { part: string; tint: string; marks?: FeatherMark[]; side?: number; weight?: number },
): void {
  const full = pen.detail === 'full';
  const outline = featherOutline(feather, full);
  shape(pen, { outline, part, tint, weight: full ? weight : weight * 1.1 }, () => {
    const way = minus(feather.tip, feather.root);
    // A small vane is cut as straight lines through its own points.
    const vane = sample(outline, full ? 2 : 1);
    for (const { from, to, colour, opacity } of marks) {
      const beyond = cut(vane, onFeather(feather, from, 0), way);
      const piece = to === undefined ? beyond : cut(beyond, onFeather(feather, to, 0), [-way[0], -way[1]]);
      wash(pen, part, piece, colour, opacity);
    }
  });
  if (!full) return;
  stroke(
    pen,
    part,
    curve(
      [0.05, 0.5, 0.93].map((t) => onFeather(feather, t, -0.12 * side)),
      [],
      false,
    ),
    0.0042,
  );
  if (side === 0) return;
  const length = Math.hypot(...minus(feather.tip, feather.root));
  const barbs = Math.max(4, Math.min(7, Math.round(length / (pen.size * 0.055))));
  const lines = Array.from({ length: barbs }, (_, i) => {
    const t = 0.32 + (0.6 * i) / barbs;
    return linePath([onFeather(feather, t, 0.1 * side), onFeather(feather, t + 0.05, 0.84 * side)], false);
  });
  pen.inks.push({ d: lines.join(''), part, stroke: INK, strokeWidth: Math.max(1, Math.round(pen.size * 0.16)), opacity: 0.5 });
}

/** Rows of small overlapping feathers between two edges: open arcs, one path. */
export function scallops(
  pen: Pen,
  part: string,
  {
    rows,
    across,
    at,
    colour = INK,
    opacity = 0.6,
    weight = 0.22,
    round = false,
  }: {
    rows: number;
    across: number;
    /** The sheet's point for a share along and a share across the part, each 0..1. */
    at: (along: number, down: number) => Point;
    colour?: string;
    opacity?: number;
    weight?: number;
    /** Round as a feather's end is, its sides going on for a while before they bend: where there is room to see it. */
    round?: boolean;
  },
): void {
  const arcs: string[] = [];
  for (let r = 0; r < rows; r++) {
    const many = across + (r % 2);
    for (let k = 0; k < many; k++) {
      const left = k / many;
      const right = (k + 0.94) / many;
      const down = (r + 0.5) / rows;
      const deep = down + 0.62 / rows;
      const middle = at((left + right) / 2, deep);
      const side = (right - left) * 0.1;
      const bend = down + 0.38 / rows;
      const end = round ? [at(left + side, bend), middle, at(right - side, bend)] : [middle];
      arcs.push(curvePath(curve([at(left, down), ...end, at(right, down)], [], false)));
    }
  }
  pen.inks.push({ d: arcs.join(''), part, stroke: colour, strokeWidth: Math.max(1, Math.round(pen.size * weight)), opacity });
}
