import { INK, linePath } from '../display';
import { type Curve, curve, cut, minus, mix, mirrored, type Point, polar, sample, times } from '../geometry';
import { note, type Pen, roundTone, shape, stroke, wash } from '../pen';
import { type CrabModel, GROUNDS } from './model';

/** Share of the leg's length: merus, carpus, propodus, dactyl. */
const SHARES = [0.37, 0.15, 0.26, 0.22];
/** Length of the four walking legs against the second, which is the one measured. */
const PAIRS = [0.95, 1, 0.96, 0.84];
/** Directions of the segments of each right leg, in degrees clockwise from straight out. */
const REST = [
  [-34, -8, 36, 62],
  [-13, 14, 54, 78],
  [11, 34, 72, 96],
  [36, 60, 94, 116],
];
const FLAT = [
  [-20, 30, 84, 108],
  [-6, 44, 98, 122],
  [14, 62, 112, 136],
  [36, 80, 126, 150],
];
const FLEE = [
  [-50, -30, -4, 20],
  [-26, -6, 24, 48],
  [0, 16, 46, 70],
  [22, 40, 66, 90],
];
/** Half widths of the segments along them, in carapace widths. */
const WIDTHS = [
  [0.052, 0.078, 0.077, 0.056],
  [0.05, 0.06, 0.06, 0.046],
  [0.042, 0.05, 0.047, 0.036],
  [0.034, 0.03, 0.02, 0.003],
];
const TIPS = {
  stout: [0.036, 0.036, 0.025, 0.003],
  slender: [0.026, 0.017, 0.01, 0.002],
  flattened: [0.034, 0.052, 0.048, 0.008],
} as const;

/** Where the right legs leave the shell, seen from above, in carapace units. */
export const LEG_ROOTS: [number, number][] = [
  [0.78, 0.4],
  [0.8, 0.51],
  [0.74, 0.63],
  [0.6, 0.75],
];

/** Joints of a right leg from its root; the segments add up to its length exactly. */
export function legJoints(model: CrabModel, leg: number, root: Point): Point[] {
  const angles = { rest: REST, 'raises-claws': REST, flattens: FLAT, flees: FLEE }[model.pose][leg];
  return SHARES.reduce<Point[]>(
    (joints, share, i) => [...joints, polar(joints[i], angles[i], share * PAIRS[leg] * model.legLength)],
    [root],
  );
}

function segment(from: Point, to: Point, halfWidths: readonly number[], width: number, bend = 0, hooked = false): Curve {
  const along: Point = [to[0] - from[0], to[1] - from[1]];
  const length = Math.hypot(...along) || 1;
  const out: Point = [-along[1] / length, along[0] / length];
  const at = (t: number, side: number): Point => {
    const k = Math.max(0, Math.min(1, t)) * (halfWidths.length - 1);
    const i = Math.min(halfWidths.length - 2, Math.floor(k));
    const half = (halfWidths[i] + (halfWidths[i + 1] - halfWidths[i]) * (k - i)) * width;
    const sag = bend * length * Math.sin(Math.PI * t);
    const p = mix(from, to, t);
    return [p[0] + out[0] * (half * side + sag), p[1] + out[1] * (half * side + sag)];
  };
  const ends: Point[] = hooked ? [to] : [mix(at(0.98, -0.75), at(1.03, -0.3), 0.5), mix(at(0.98, 0.75), at(1.03, 0.3), 0.5)];
  const points: Point[] = [
    at(0.02, -0.7),
    at(0.14, -1),
    at(0.4, -1),
    at(0.68, -1),
    at(0.88, -1),
    ...ends,
    at(0.88, 1),
    at(0.68, 1),
    at(0.4, 1),
    at(0.14, 1),
    at(0.02, 0.7),
  ];
  return curve(points, hooked ? [5] : []);
}

export interface LegLook {
  root: Point;
  leg: number;
  right: boolean;
  tint: string;
}

/** One walking leg, its far segments first so that each is overlapped by the one before. */
export function drawLeg(pen: Pen, model: CrabModel, { root, leg, right, tint }: LegLook): void {
  const joints = legJoints(model, leg, root);
  const part = `leg-${leg + 1}-${right ? 'right' : 'left'}`;
  const own = (c: Curve) => (right ? c : mirrored(c));
  const side = ([x, y]: Point): Point => (right ? [x, y] : [-x, y]);
  for (const i of [3, 2, 1, 0]) {
    const widths = i === 3 ? TIPS[model.legTip] : WIDTHS[i];
    const outline = segment(joints[i], joints[i + 1], widths, model.width, i === 3 ? -0.07 : 0, i === 3);
    if (i === 2 || i === 0) fringe(pen, model, part, outline, own);
    const polygon = sample(own(outline), 4);
    shape(
      pen,
      { outline: own(outline), part, tint, weight: 0.82, tone: roundTone(polygon, model.width * 0.06, 0.015, 0.5) },
      (within) => i !== 3 && bands(pen, model, part, within, side(joints[i]), side(joints[i + 1])),
    );
    if (i === 0 && pen.detail === 'full') {
      const ridge = curve(
        [0.12, 0.4, 0.7, 0.92].map((t) => mix(joints[0], joints[1], t)),
        [],
        false,
      );
      stroke(pen, part, own(ridge), 0.006);
    }
  }
  const tip = joints.map(side);
  note(pen, `${part}-tip`, [tip[3], tip[4], mix(tip[2], tip[3], 0.7)]);
}

/** Rings round a segment, cut out of its own outline. */
function bands(pen: Pen, model: CrabModel, part: string, polygon: readonly Point[], from: Point, to: Point): void {
  if (model.legBands === 'none') return;
  const bold = model.legBands === 'bold';
  const along: Point = minus(to, from);
  for (const [a, b] of [
    [0.26, bold ? 0.48 : 0.36],
    [0.68, bold ? 0.88 : 0.78],
  ]) {
    const ring = cut(cut(polygon, mix(from, to, a), along), mix(from, to, b), times(along, -1));
    wash(pen, part, ring, GROUNDS[model.ground].dark, bold ? 0.95 : 0.5);
  }
}

/** Hairs along the hind edge of a segment, as one path of fine lines. */
function fringe(pen: Pen, model: CrabModel, part: string, outline: Curve, own: (c: Curve) => Curve): void {
  if (model.fringe === 'none') return;
  const dense = model.fringe === 'dense';
  const many = Math.round((dense ? 15 : 6) / (pen.detail === 'full' ? 1 : 1.6));
  const length = model.width * (dense ? 0.06 : 0.045);
  const edge = outline.points.slice(7, 11);
  const hairs = Array.from({ length: many }, (_, k) => {
    const t = (k / (many - 1)) * (edge.length - 1);
    const i = Math.min(edge.length - 2, Math.floor(t));
    const at = mix(edge[i], edge[i + 1], t - i);
    const along = Math.atan2(edge[i][1] - edge[i + 1][1], edge[i][0] - edge[i + 1][0]);
    const lean = (along * 180) / Math.PI + 62 + (k % 3) * 9;
    return linePath(own(curve([at, polar(at, lean, length * (0.8 + 0.1 * (k % 4)))], [], false)).points, false);
  });
  pen.inks.push({ d: hairs.join(''), part, stroke: INK, strokeWidth: Math.round(model.width * 0.7) });
}
