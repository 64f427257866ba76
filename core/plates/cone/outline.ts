import { type Curve, curve, type Point, sample } from '../geometry';
import type { ConeModel } from './model';

/** Whorls that show on the spire above the body whorl. */
export const WHORLS = 6;
const KNOBS = 9;

/** Greatest width and the height of the spire, both from the scored proportions. */
export const widthOf = ({ length, ratio }: ConeModel): number => length * ratio;
export const spireHeight = (model: ConeModel): number =>
  Math.min(widthOf(model) / 2 / Math.tan((model.spireAngle * Math.PI) / 360), model.length * 0.42);

/** Half-width of the body whorl at t, 0 the shoulder … 1 the base, as a share of the greatest. */
function side(sides: ConeModel['sides'], t: number): number {
  const straight = 1 - 0.87 * t;
  if (sides === 'swollen') return 1 - 0.87 * t ** 1.45 + 0.012 * Math.sin(Math.PI * t);
  if (sides === 'waisted') return straight + 0.055 * Math.sin(2 * Math.PI * Math.min(1, t * 1.02));
  return straight + 0.012 * Math.sin(Math.PI * t);
}

/** The widest share of each form of side, which the scored width is taken across. */
const WIDEST = Object.fromEntries(
  (['straight', 'swollen', 'waisted'] as const).map((sides) => [
    sides,
    Math.max(...Array.from({ length: 21 }, (_, i) => side(sides, i / 20))),
  ]),
) as Record<ConeModel['sides'], number>;

/** How far the spire's edge lies inside (hollow) or outside (domed) the straight line, at t from apex to shoulder. */
const bow = (spire: ConeModel['spire'], t: number): number =>
  spire === 'hollow' ? -0.11 * Math.sin(Math.PI * t) : spire === 'domed' ? 0.1 * Math.sin(Math.PI * t) : 0;

/** Half the width of the spire at a share of its height, with the steps of its whorls. */
export function spireHalf(model: ConeModel, t: number): number {
  const within = (t * WHORLS) % 1;
  const step = 0.014 * Math.sin(Math.PI * within);
  return Math.max(0, t + bow(model.spire, t) + step) * (widthOf(model) / 2);
}

/** Half-width of the whole shell at a height, in millimetres. */
export function halfAt(model: ConeModel, y: number): number {
  const spire = spireHeight(model);
  if (y <= spire) return spireHalf(model, y / spire);
  return bodyHalf(model, (y - spire) / (model.length - spire));
}

/** Of the body whorl alone; the sides are scaled so that the widest place has the scored width. */
export function bodyHalf(model: ConeModel, t: number): number {
  return (side(model.sides, t) / WIDEST[model.sides]) * (widthOf(model) / 2);
}

/** The right edge from apex to base, in millimetres; apex at the origin. */
function rightEdge(model: ConeModel, whorls: number): { points: Point[]; sharp: number[] } {
  const spire = spireHeight(model);
  const half = widthOf(model) / 2;
  const body = model.length - spire;
  const points: Point[] = [[0, 0]];
  const sharp: number[] = [];
  for (let k = 1; k < whorls; k++) {
    const t = k / whorls;
    const before = spireHalf(model, t - 0.45 / whorls);
    points.push([before, spire * (t - 0.45 / whorls)]);
    sharp.push(points.length);
    points.push([spireHalf(model, t), spire * t]);
  }
  if (model.shoulder === 'rounded') {
    points.push([half * 0.9, spire * 0.985 - body * 0.004]);
    points.push([half * 0.982, spire + body * 0.022]);
    points.push([half, spire + body * 0.06]);
  } else if (model.shoulder === 'knobbed') {
    points.push([half * 0.93, spire - body * 0.012]);
    points.push([half, spire + body * 0.004]);
    points.push([half * 0.995, spire + body * 0.034]);
    points.push([half * 0.965, spire + body * 0.06]);
  } else {
    points.push([half * 0.93, spire * 0.97]);
    sharp.push(points.length);
    points.push([half, spire]);
  }
  for (const t of [0.1, 0.2, 0.32, 0.45, 0.58, 0.7, 0.81, 0.9, 0.96]) {
    if (model.shoulder !== 'angled' && t < 0.15) continue;
    points.push([Math.min(half, bodyHalf(model, t)), spire + body * t]);
  }
  points.push([half * 0.115, model.length * 0.992]);
  return { points, sharp };
}

/**
 * The outline of a shell, apex at y = 0 and base at the shell's length. Its
 * greatest width is the scored ratio times its length; the edges of the spire
 * meet the apex at the scored angle.
 *
 * @param whorls steps shown along the spire; tiles show fewer.
 */
export function coneOutline(model: ConeModel, whorls = WHORLS): Curve {
  const { points, sharp } = rightEdge(model, whorls);
  const notch = model.notch === 'deep' ? 0.035 : 0.012;
  const foot: Point[] = [
    [widthOf(model) * 0.022, model.length],
    [-widthOf(model) * 0.012, model.length * (1 - notch)],
  ];
  const left = points
    .slice(1)
    .map(([x, y]): Point => [-x, y])
    .reverse();
  const joined = [...points, ...foot, ...left];
  const shift = points.length + foot.length;
  const mirroredSharp = sharp.map((i) => shift + (points.length - 1 - i));
  return stretched(curve(joined, [0, ...sharp, ...mirroredSharp, points.length + 1]), widthOf(model));
}

/** The spline may swing a hair past its points; bring its greatest width to what was scored. */
function stretched(outline: Curve, width: number): Curve {
  const reach = Math.max(...sample(outline, 8).map(([x]) => Math.abs(x)));
  return { ...outline, points: outline.points.map(([x, y]): Point => [(x / reach) * (width / 2), y]) };
}

/** Middles of the knobs along the shoulder, as angles round the shell. */
export const knobAngles = (): number[] => Array.from({ length: KNOBS }, (_, i) => -1.35 + (2.7 * (i + 0.5)) / KNOBS);
