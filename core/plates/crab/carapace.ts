import { seeded } from '../../probability';
import { discPath, dotPath, INK, PAPER } from '../display';
import { boxOf, type Curve, curve, distanceTo, flat, grow, inside, mapCurve, mirrored, type Point, sample } from '../geometry';
import { grains, note, type Pen, roundTone, shape, stippleIn, stroke, wash } from '../pen';
import type { Tone } from '../stipple';
import { type CrabModel, GROUNDS } from './model';

const WIDEST = { front: 0.27, third: 0.37, middle: 0.5 } as const;

/** The right half of the outline in its own units: u 0 midline … 1 widest, v 0 front … 1 rear. */
function rightHalf(model: CrabModel): { points: Point[]; sharp: number[] } {
  const points: Point[] = [];
  const sharp: number[] = [];
  const to = (u: number, v: number, corner = false) => {
    if (corner) sharp.push(points.length);
    points.push([u, v]);
  };
  frontEdge(model.front, to);
  to(0.335, 0.1);
  to(0.385, 0.125);
  to(0.445, 0.105);
  sideTeeth(model, to);
  const widest = WIDEST[model.widest];
  for (const s of [0.22, 0.42, 0.62, 0.8, 0.93]) {
    const round = (s * Math.PI) / 2;
    const u = 0.3 * (1 - s * 0.64) + 0.7 * (0.36 + 0.64 * Math.cos(round));
    const v = widest + (0.95 - widest) * (0.35 * s + 0.65 * Math.sin(round));
    to(u, v);
  }
  to(0.34, 0.972);
  if (model.rear === 'hollowed') {
    to(0.27, 1.0);
    to(0.13, 0.968);
    to(0, 0.955);
  } else {
    to(0.27, 0.988);
    to(0.13, 0.993);
    to(0, 0.994);
  }
  return { points, sharp };
}

type To = (u: number, v: number, corner?: boolean) => void;

function frontEdge(front: CrabModel['front'], to: To): void {
  if (front === 'two-lobes') {
    to(0, 0.062, true);
    to(0.05, 0.012);
    to(0.125, 0);
    to(0.2, 0.022);
    to(0.235, 0.06);
    to(0.29, 0.058, true);
  } else if (front === 'one-arch') {
    to(0, 0);
    to(0.09, 0.006);
    to(0.18, 0.03);
    to(0.25, 0.062);
    to(0.29, 0.075, true);
  } else {
    to(0, 0, true);
    to(0.045, 0.062);
    to(0.095, 0.07);
    to(0.15, 0.012, true);
    to(0.2, 0.068);
    to(0.24, 0.072);
    to(0.29, 0.045, true);
  }
}

const TOOTH = {
  blunt: { depth: 0.035, out: 0, forward: 0.01 },
  sharp: { depth: 0.055, out: 0.012, forward: 0.028 },
  spined: { depth: 0.062, out: 0.075, forward: 0.05 },
} as const;

/** Teeth along the side, the first behind the eye, the last at the widest point. */
function sideTeeth({ teeth, toothForm, widest }: CrabModel, to: To): void {
  const { depth, out, forward } = TOOTH[toothForm];
  const low = WIDEST[widest];
  const along = (t: number): Point => {
    const a = (t * Math.PI) / 2;
    return [0.53 + 0.47 * Math.sin(a), 0.07 + (low - 0.07) * (0.35 * t + 0.65 * (1 - Math.cos(a)))];
  };
  const gap = 1 / Math.max(1, teeth - 1);
  for (let i = 0; i < teeth; i++) {
    const [u, v] = along(i * gap);
    if (toothForm === 'blunt') {
      to(u - 0.012, v - 0.02);
      to(u + 0.006, v + 0.004);
    } else {
      to(u + out, v - forward, true);
    }
    if (i === teeth - 1) continue;
    const [nu, nv] = along((i + 0.62) * gap);
    to(nu - depth, nv + (toothForm === 'blunt' ? 0.004 : 0.012), toothForm !== 'spined');
  }
}

/**
 * The carapace outline in millimetres, centred on the midline, midline front at
 * y = 0. Its greatest width is the model's width and its midline the model's
 * length, exactly: a ratio measured on the drawing is the scored ratio.
 */
export function carapaceOutline(model: CrabModel): Curve {
  const half = rightHalf(model);
  const right = curve(half.points, half.sharp, false);
  const reach = Math.max(...sample(right, 12).map(([u]) => u));
  const front = half.points[0][1];
  const rear = half.points[half.points.length - 1][1];
  const toMm = ([u, v]: Point): Point => [(u / reach) * (model.width / 2), ((v - front) / (rear - front)) * model.length];
  const inMm = mapCurve(right, toMm);
  const left = mirrored(inMm);
  const joined = [...inMm.points, ...left.points.slice(1, -1)];
  const shift = inMm.points.length;
  const sharp = [...inMm.sharp, ...[...left.sharp].filter((i) => i > 0 && i < left.points.length - 1).map((i) => i - 1 + shift)];
  return curve(joined, sharp);
}

/** From u, v of the carapace to millimetres. */
export const onCarapace = (model: CrabModel, u: number, v: number): Point => [(u * model.width) / 2, v * model.length];

/** Lines of the back: the H-shaped groove and the folds behind it. */
function grooves(model: CrabModel): { line: Curve; weight: number }[] {
  if (model.groove === 'absent') return [];
  const at = (u: number, v: number) => onCarapace(model, u, v);
  const deep = model.groove === 'deep' ? 1 : 0.6;
  const right = [
    { line: curve([at(0.1, 0.43), at(0.155, 0.5), at(0.13, 0.57), at(0.19, 0.655)], [], false), weight: 0.018 * deep },
    { line: curve([at(0.17, 0.535), at(0.34, 0.5), at(0.5, 0.415), at(0.66, 0.385)], [], false), weight: 0.011 * deep },
  ];
  if (model.groove === 'deep') {
    right.push({ line: curve([at(0.2, 0.85), at(0.42, 0.83), at(0.62, 0.73)], [], false), weight: 0.01 });
    right.push({ line: curve([at(0.1, 0.43), at(0.06, 0.33), at(0.085, 0.22)], [], false), weight: 0.008 });
  }
  return right.flatMap(({ line, weight }) => [
    { line, weight },
    { line: mirrored(line), weight },
  ]);
}

/** Swellings of the back as soft ellipses: centre, radii and strength. */
const SWELLINGS = [
  [0, 0.36, 0.3, 0.13, 0.2],
  [0.48, 0.3, 0.24, 0.12, 0.2],
  [0.56, 0.58, 0.28, 0.15, 0.22],
  [0, 0.68, 0.2, 0.11, 0.24],
] as const;

/** How far a groove darkens the back, in its own widths. */
const WIDE = 3;

function backTone(model: CrabModel, polygon: Point[]): Tone {
  const { width, length } = model;
  const rim = roundTone(polygon, width * 0.17, 0.045, 0.85);
  const trench = width * 0.026;
  // Most dots are far from each groove: those outside its box are not measured against it.
  const lines = grooves(model).map(({ line }) => {
    const points = sample(line, 3);
    const { x: left, y: top, width: across, height: down } = grow(boxOf(points), WIDE * trench);
    return { points: flat(points), left, top, right: left + across, bottom: top + down };
  });
  const trough = model.groove === 'deep' ? 0.5 : model.groove === 'faint' ? 0.28 : 0;
  return (x, y, needed) => {
    let dark = 0;
    for (const { points, left, top, right, bottom } of lines) {
      if (x < left || x > right || y < top || y > bottom) continue;
      const d = distanceTo(points, x, y) / trench;
      if (d < WIDE) dark += trough * Math.exp(-d * d);
    }
    for (const [cu, cv, ru, rv, strength] of SWELLINGS) {
      const du = (Math.abs(x) / (width / 2) - cu) / ru;
      const dv = (y / length - cv) / rv;
      const r = du * du + dv * dv;
      if (r < 1.3) dark += strength * Math.max(0, (du * Math.sign(x) * 0.6 + dv * 0.8) * r) * (1.3 - r) * 1.6;
    }
    return dark + rim(x, y, needed - dark);
  };
}

/** Half the carapace's width at a height, from its outline. */
function halfWidthAt(polygon: readonly Point[], y: number): number {
  let half = 0;
  polygon.forEach(([ax, ay], i) => {
    const [bx, by] = polygon[(i + 1) % polygon.length];
    if (ay > y !== by > y) half = Math.max(half, ax + ((y - ay) / (by - ay)) * (bx - ax));
  });
  return half;
}

function crossband(model: CrabModel, polygon: readonly Point[], from: number, to: number, bow: number, steps: number): Point[] {
  const random = seeded(`band ${from}`);
  const edge = (v: number, forward: boolean): Point[] => {
    return Array.from({ length: steps }, (_, i): Point => {
      const t = (forward ? i : steps - 1 - i) / (steps - 1);
      const wobble = (random() - 0.5) * 0.022;
      const y = (v + bow * (2 * t - 1) ** 2 + wobble) * model.length;
      return [(2 * t - 1) * halfWidthAt(polygon, y) * 0.955, y];
    });
  };
  return [...edge(from, true), ...edge(to, false)];
}

function backPattern(pen: Pen, model: CrabModel, polygon: Point[]): void {
  const ground = GROUNDS[model.ground];
  const random = seeded(`back ${model.back}`);
  const edge = flat(polygon);
  const steps = pen.detail === 'full' ? 15 : 7;
  if (model.back === 'crossbands') {
    wash(pen, 'carapace', crossband(model, polygon, 0.3, 0.43, -0.05, steps), ground.pale, 0.95);
    wash(pen, 'carapace', crossband(model, polygon, 0.62, 0.76, -0.07, steps), ground.pale, 0.95);
  }
  if (model.back === 'saddle') {
    const points = pen.detail === 'full' ? 22 : 9;
    const ring = Array.from({ length: points }, (_, i): Point => {
      const a = (i / points) * 2 * Math.PI;
      const r = 1 + (random() - 0.5) * 0.16;
      return onCarapace(model, 0.46 * r * Math.cos(a) * (1 + 0.25 * Math.sin(a)), 0.55 + 0.2 * r * Math.sin(a));
    });
    wash(pen, 'carapace', sample(curve(ring), pen.detail === 'full' ? 3 : 2), ground.pale, 0.95);
  }
  if (model.back === 'speckled') {
    const spots = Array.from({ length: pen.detail === 'full' ? 70 : 14 }, () => ({
      at: onCarapace(model, (random() * 2 - 1) * 0.92, 0.1 + random() * 0.82),
      radius: model.width * (0.009 + random() * 0.014) * (pen.detail === 'full' ? 1 : 1.5),
    })).filter(({ at, radius }) => inside(edge, at[0] + radius * 2 * Math.sign(at[0]), at[1]));
    const d = pen.detail === 'full' ? discPath(spots) : dotPath(spots.map((spot) => spot.at));
    const ink =
      pen.detail === 'full' ? { fill: ground.dark } : { stroke: ground.dark, strokeWidth: Math.round(model.width * 4.5) };
    pen.inks.push({ d, part: 'carapace', opacity: 0.9, ...ink });
  }
}

function granules(pen: Pen, model: CrabModel, polygon: Point[]): void {
  if (model.granules === 'smooth') return;
  const random = seeded('granules');
  const edge = flat(polygon);
  const many = (model.granules === 'dense' ? 150 : 26) / (pen.detail === 'full' ? 1 : model.granules === 'dense' ? 9 : 5);
  const size = pen.detail === 'full' ? 1 : 1.9;
  const at = Array.from({ length: Math.round(many) }, () => onCarapace(model, (random() * 2 - 1) * 0.9, 0.14 + random() * 0.76));
  grains(
    pen,
    'carapace',
    at.filter(([x, y]) => inside(edge, x * 1.06, y)),
    model.width * 0.0085 * size,
    PAPER,
    0.4,
  );
}

/** Barnacles and scratches of an old shell. */
function wear(pen: Pen, model: CrabModel): void {
  if (model.worn === 'clean') return;
  const random = seeded('wear');
  const at = () => onCarapace(model, (random() * 2 - 1) * 0.66, 0.2 + random() * 0.6);
  for (let i = 0; i < 9; i++) {
    const [x, y] = at();
    stroke(
      pen,
      'carapace',
      curve(
        [
          [x, y],
          [x + model.width * 0.09, y - model.width * 0.05],
        ],
        [],
        false,
      ),
      pen.detail === 'full' ? 0.01 : 0.024,
      PAPER,
      0.9,
    );
  }
  if (model.worn !== 'fouled') return;
  for (let i = 0; i < (pen.detail === 'full' ? 7 : 3); i++) {
    const centre = at();
    const r = model.width * (0.02 + 0.014 * random());
    pen.inks.push({ d: discPath([{ at: centre, radius: r * 1.1 }]), part: 'carapace', fill: INK });
    pen.inks.push({ d: discPath([{ at: centre, radius: r * 0.92 }]), part: 'carapace', fill: PAPER });
    pen.inks.push({ d: discPath([{ at: centre, radius: r * 0.36 }]), part: 'carapace', fill: INK });
  }
}

/** The carapace from above, with all that is on it. */
export function drawBack(pen: Pen, model: CrabModel): void {
  const outline = carapaceOutline(model);
  const polygon = shape(pen, { outline, part: 'carapace', tint: GROUNDS[model.ground].body, weight: 1.35 }, (within) =>
    backPattern(pen, model, within),
  );
  if (pen.detail === 'full') stippleIn(pen, 'carapace', polygon, backTone(model, polygon));
  if (pen.detail === 'figure') return;
  for (const { line, weight } of grooves(model)) stroke(pen, 'carapace', line, weight * (pen.detail === 'full' ? 1 : 1.5));
  granules(pen, model, polygon);
  wear(pen, model);
  note(pen, 'front', [onCarapace(model, -0.56, -0.12), onCarapace(model, 0.56, 0.26)]);
  note(pen, 'side', [onCarapace(model, 0.36, -0.02), onCarapace(model, 1.08, WIDEST[model.widest] + 0.18)]);
  note(pen, 'rear', [onCarapace(model, -0.62, 0.72), onCarapace(model, 0.62, 1.05)]);
  note(pen, 'back', [onCarapace(model, -0.72, 0.12), onCarapace(model, 0.72, 0.92)]);
}
