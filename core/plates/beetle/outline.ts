import { type Curve, curve, mirrored, type Point, sample } from '../geometry';
import { type BeetleModel, proportions } from './model';

/** The whole of a right half and its mirror image; the half runs from the midline in front to the midline behind. */
function bothSides(points: Point[], sharp: readonly number[], width: number): Curve {
  const reach = Math.max(...sample(curve(points, sharp, false), 10).map(([x]) => x));
  // The spline may swing a hair past its points: the greatest width is what was scored.
  const fitted = points.map(([x, y]): Point => [(x / reach) * (width / 2), y]);
  const half = curve(fitted, sharp, false);
  const left = mirrored(half);
  const inner = [...left.sharp].filter((i) => i > 0 && i < left.points.length - 1).map((i) => i - 1 + fitted.length);
  return curve([...fitted, ...left.points.slice(1, -1)], [...sharp, ...inner]);
}

/** Wing cases from above; shoulders at the height of the neck shield's hind edge. */
export function elytraOutline(model: BeetleModel): Curve {
  const { head, pronotum, elytra, elytraWidth } = proportions(model);
  const top = head + pronotum;
  const at = (u: number, v: number): Point => [(u * elytraWidth) / 2, top + v * elytra];
  const points: Point[] = [at(0, 0.012), at(0.5, 0.004)];
  const sharp: number[] = [];
  if (model.shoulder === 'rounded') points.push(at(0.78, 0.018), at(0.9, 0.075));
  else if (model.shoulder === 'squared') {
    points.push(at(0.86, 0.006), at(0.93, 0.05));
  } else {
    points.push(at(0.78, 0.012));
    sharp.push(points.length);
    points.push(at(0.98, -0.035), at(0.91, 0.075));
  }
  points.push(at(0.965, 0.2), at(0.99, 0.36), at(1, 0.54), at(0.95, 0.7), at(0.82, 0.84));
  if (model.tip === 'cut-off') {
    points.push(at(0.7, 0.91));
    sharp.push(points.length);
    points.push(at(0.62, 0.95));
    points.push(at(0.3, 0.962), at(0, 0.955));
  } else if (model.tip === 'apart') {
    points.push(at(0.6, 0.945), at(0.34, 0.998), at(0.14, 0.985));
    sharp.push(points.length);
    points.push(at(0, 0.915));
  } else points.push(at(0.58, 0.945), at(0.28, 0.992), at(0, 1));
  return bothSides(points, sharp, elytraWidth);
}

/** The neck shield from above; its midline is exactly its length. */
export function pronotumOutline(model: BeetleModel): Curve {
  const { head, pronotum, pronotumWidth } = proportions(model);
  const at = (u: number, v: number): Point => [(u * pronotumWidth) / 2, head + v * pronotum];
  const points: Point[] = [at(0, 0), at(0.36, 0.012)];
  const sharp: number[] = [2];
  points.push(at(0.68, -0.03));
  if (model.pronotumSides === 'straight') points.push(at(0.85, 0.22), at(0.94, 0.5), at(0.985, 0.78));
  else if (model.pronotumSides === 'sinuate')
    points.push(at(0.9, 0.14), at(1, 0.38), at(0.93, 0.6), at(0.81, 0.79), at(0.8, 0.9));
  else points.push(at(0.88, 0.14), at(0.99, 0.4), at(0.98, 0.62), at(0.9, 0.84));
  const width = model.pronotumSides === 'straight' ? 1 : model.pronotumSides === 'sinuate' ? 0.82 : 0.84;
  if (model.hindAngle === 'rounded') points.push(at(width - 0.06, 0.95), at(width - 0.2, 0.995));
  else if (model.hindAngle === 'right') {
    sharp.push(points.length);
    points.push(at(width, 0.985));
  } else {
    sharp.push(points.length);
    points.push(at(width + 0.09, 1.07), at(width - 0.12, 0.99));
  }
  points.push(at(0.4, 0.992), at(0, 1));
  return bothSides(points, sharp, pronotumWidth);
}

/** The head from above, without jaws; its front edge lies at y = 0. */
export function headOutline(model: BeetleModel): Curve {
  const { head, headWidth } = proportions(model);
  const at = (u: number, v: number): Point => [(u * headWidth) / 2, v * head];
  const points: Point[] = [at(0, model.clypeus === 'notched' ? 0.14 : 0)];
  const sharp: number[] = [];
  if (model.clypeus === 'notched') sharp.push(0);
  if (model.clypeus === 'lobed') points.push(at(0.12, 0.03), at(0.22, 0.16), at(0.42, 0.1), at(0.56, 0.2));
  else points.push(at(0.3, 0), at(0.5, 0.08));
  points.push(at(0.66, 0.3), at(0.84, 0.46), at(0.95, 0.7), at(0.96, 1.05), at(0.9, 1.2), at(0, 1.24));
  const half = curve(points, sharp, false);
  const left = mirrored(half);
  return curve([...points, ...left.points.slice(1, -1)], sharp);
}

/** Half the width of the wing cases at v (0 base … 1 tip), from their outline. */
export function elytraHalf(model: BeetleModel): (v: number) => number {
  const { head, pronotum, elytra } = proportions(model);
  const line = sample(elytraOutline(model), 6).filter(([x]) => x >= 0);
  const steps = Array.from({ length: 41 }, (_, i) => {
    const y = head + pronotum + (i / 40) * elytra;
    let half = 0;
    line.forEach(([ax, ay], k) => {
      const [bx, by] = line[(k + 1) % line.length];
      if (ay > y !== by > y) half = Math.max(half, ax + ((y - ay) / (by - ay)) * (bx - ax));
    });
    return half;
  });
  return (v) => {
    const k = Math.max(0, Math.min(40, v * 40));
    const i = Math.min(39, Math.floor(k));
    return steps[i] + (steps[i + 1] - steps[i]) * (k - i);
  };
}
