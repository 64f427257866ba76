import { seeded } from '../../probability';
import { dotPath, INK, linePath } from '../display';
import { type Curve, curve, flat, inside, mix, type Point, sample } from '../geometry';
import { note, type Pen, shape, stippleIn, stroke, wash } from '../pen';
import type { Tone } from '../stipple';
import { GROUNDS, LANTERNS, type MothModel } from './model';

/** From a wing's own square to the sheet: along its front edge 0…1, and down from it 0…1. */
export type OnWing = (u: number, v: number) => Point;

const TIPS: Record<MothModel['tip'], Point[]> = {
  rounded: [
    [0.93, 0.02],
    [0.99, 0.16],
    [0.985, 0.3],
  ],
  pointed: [
    [0.96, -0.01],
    [1, 0.03],
    [0.975, 0.24],
  ],
  hooked: [
    [0.93, -0.02],
    [1, 0.06],
    [0.93, 0.26],
  ],
};

/** Outer edge below the tip. */
const EDGES: Record<MothModel['edge'], Point[]> = {
  even: [
    [0.95, 0.46],
    [0.88, 0.68],
    [0.77, 0.9],
  ],
  wavy: [
    [0.975, 0.4],
    [0.915, 0.5],
    [0.93, 0.62],
    [0.85, 0.7],
    [0.855, 0.82],
    [0.77, 0.9],
  ],
  notched: [
    [0.95, 0.42],
    [0.875, 0.52],
    [0.895, 0.66],
    [0.84, 0.8],
    [0.77, 0.9],
  ],
};

/** Outline of a fore wing as spread: its front edge level, its root at u = 0. */
export function foreWingOutline(model: MothModel, on: OnWing): Curve {
  const front: Point[] = [
    [0, 0.1],
    [0.06, 0.02],
    [0.3, 0.02],
    [0.6, 0.025],
    [0.84, 0.015],
  ];
  const tip = TIPS[model.tip];
  const edge = EDGES[model.edge];
  const hind: Point[] = [
    [0.74, 0.965],
    [0.56, 1],
    [0.3, 0.74],
    [0.08, 0.36],
  ];
  const points = [...front, ...tip, ...edge, ...hind];
  const corner = front.length + 1;
  const sharp = model.tip === 'rounded' ? [] : [corner];
  if (model.edge === 'notched') sharp.push(front.length + tip.length + 1);
  return curve(
    points.map(([u, v]) => on(u, v)),
    sharp,
  );
}

/** How far out the outer edge lies at v, roughly: patterns stop short of it. */
const reachAt = (v: number) => 0.97 - 0.24 * Math.max(0, v - 0.1) ** 1.15;

interface WingLook {
  part: string;
  tone: Tone;
}

/** A fore wing with its pattern, under a contour of its own. */
export function drawForeWing(pen: Pen, model: MothModel, on: OnWing, { part, tone }: WingLook): void {
  const full = pen.detail === 'full';
  const ground = GROUNDS[model.ground];
  const outline = foreWingOutline(model, on);
  const polygon = shape(pen, { outline, part, tint: ground.wing, weight: 0.9 }, () => {
    shadeRoot(pen, part, on, ground.dark);
    drawBand(pen, model, on);
    drawLines(pen, model, on);
    drawFringe(pen, model, on);
  });
  if (full) {
    veins(pen, part, on);
    scales(pen, part, polygon, ground.dark);
    stippleIn(pen, part, polygon, tone);
  }
  drawLantern(pen, model, on);
}

function shadeRoot(pen: Pen, part: string, on: OnWing, dark: string): void {
  if (pen.detail !== 'full') return;
  wash(pen, part, sample(curve([on(0.02, 0.12), on(0.1, 0.06), on(0.2, 0.1), on(0.2, 0.4), on(0.1, 0.34)]), 3), dark, 0.35);
}

/** Where the inner edge of the midband lies at v. */
export const bandFrom = (model: MothModel, v: number): number =>
  0.4 - (model.band === 'angled' ? 0.16 * Math.abs(v - 0.42) - 0.02 : 0.1 * v);

/** The midband: as broad at the front edge as scored. */
function drawBand(pen: Pen, model: MothModel, on: OnWing): void {
  if (model.band === 'none') return;
  const full = pen.detail === 'full';
  const random = seeded('midband');
  const steps = full ? 12 : 5;
  const wobble = () => (full ? (random() - 0.5) * 0.012 : 0);
  const downTo = (end: number) => Array.from({ length: steps }, (_, i) => 0.03 + ((end - 0.03) * i) / (steps - 1));
  const inner = downTo(0.76).map((v) => on(bandFrom(model, v) + (v < 0.04 ? 0 : wobble()), v));
  const outer = downTo(0.86).map((v) => on(bandFrom(model, v) + model.bandRatio * (1 - 0.42 * v) + (v < 0.04 ? 0 : wobble()), v));
  const { dark, pale } = GROUNDS[model.ground];
  wash(pen, 'midband', [...inner, ...outer.reverse()], dark, 0.9);
  note(pen, 'midband', inner);
  if (!full) return;
  stroke(
    pen,
    'midband',
    curve(
      inner.filter((_, i) => i % 2 === 0).map(([x, y]): Point => [x, y]),
      [],
      false,
    ),
    0.009,
    pale,
  );
}

function drawLines(pen: Pen, model: MothModel, on: OnWing): void {
  const many = { none: 0, single: 1, double: 2 }[model.lines];
  const { dark } = GROUNDS[model.ground];
  for (let k = 0; k < many; k++) {
    const steps = pen.detail === 'full' ? 9 : 5;
    const line = Array.from({ length: steps }, (_, i) => {
      const v = 0.05 + (0.84 * i) / (steps - 1);
      return on(reachAt(v) - 0.13 - 0.055 * k + 0.012 * Math.sin(i * 2.1), v);
    });
    stroke(pen, 'outer-line', curve(line, [], false), pen.detail === 'full' ? 0.013 : 0.02, dark);
    note(pen, 'outer-line', line);
  }
}

/** Short strokes along the outer edge; every other one dark where it is chequered. */
function drawFringe(pen: Pen, model: MothModel, on: OnWing): void {
  const many = pen.detail === 'full' ? 26 : 7;
  const line = (i: number): [Point, Point] => {
    const v = 0.08 + (0.82 * i) / (many - 1);
    return [on(reachAt(v) - 0.045, v), on(reachAt(v) - 0.005, v + 0.006)];
  };
  if (pen.detail === 'full')
    pen.inks.push({
      d: Array.from({ length: many }, (_, i) => linePath(line(i), false)).join(''),
      part: 'fringe',
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(pen.size * 0.22)),
      opacity: 0.6,
    });
  if (model.fringe !== 'chequered') return;
  const dark = Array.from({ length: Math.ceil(many / 2) }, (_, i) => linePath(line(i * 2), false));
  pen.inks.push({
    d: dark.join(''),
    part: 'fringe',
    stroke: GROUNDS[model.ground].dark,
    strokeWidth: Math.round(pen.size * (pen.detail === 'full' ? 2.4 : 3.6)),
  });
}

/** The pale mark that gives these moths their name. */
function drawLantern(pen: Pen, model: MothModel, on: OnWing): void {
  note(pen, 'lantern', [on(0.44, 0.16), on(0.62, 0.52)]);
  if (model.lantern === 'none') return;
  const full = pen.detail === 'full';
  const tint = LANTERNS[model.lanternTint];
  const ring = (r: number, at: Point = [0.53, 0.34]) =>
    curve(
      Array.from({ length: 8 }, (_, i) =>
        on(at[0] + r * Math.cos((i * Math.PI) / 4), at[1] + r * 1.7 * Math.sin((i * Math.PI) / 4)),
      ),
    );
  const weight = full ? 0.6 : 0.9;
  if (model.lantern === 'comma') {
    const comma = curve(
      [
        on(0.5, 0.2),
        on(0.56, 0.24),
        on(0.585, 0.38),
        on(0.54, 0.54),
        on(0.5, 0.56),
        on(0.535, 0.42),
        on(0.51, 0.36),
        on(0.48, 0.28),
      ],
      [4],
    );
    shape(pen, { outline: comma, part: 'lantern', tint, weight });
    return;
  }
  shape(pen, { outline: ring(0.058), part: 'lantern', tint, weight });
  if (model.lantern === 'ring') wash(pen, 'lantern', sample(ring(0.03), full ? 3 : 1), GROUNDS[model.ground].dark);
  else if (full) wash(pen, 'lantern', sample(ring(0.02, [0.515, 0.28]), 2), '#FFFFFF', 0.8);
}

/** Veins from the root and the cell to the outer edge. */
function veins(pen: Pen, part: string, on: OnWing): void {
  const cell: Point = [0.5, 0.34];
  const lines = [0.08, 0.2, 0.33, 0.47, 0.62, 0.78].map((v) => {
    const from = mix([0.3, 0.26], cell, Math.min(1, 0.4 + v));
    const end: Point = [reachAt(v) - 0.03, v];
    const middle = mix(from, end, 0.5);
    return linePath(sample(curve([on(...from), on(middle[0], middle[1] - 0.03), on(...end)], [], false), 2), false);
  });
  lines.push(
    linePath(sample(curve([on(0.03, 0.14), on(0.28, 0.24), on(0.5, 0.3)], [], false), 2), false),
    linePath(sample(curve([on(0.05, 0.24), on(0.34, 0.56), on(0.66, 0.9)], [], false), 2), false),
  );
  pen.inks.push({ d: lines.join(''), part, stroke: INK, strokeWidth: Math.max(1, Math.round(pen.size * 0.2)), opacity: 0.5 });
}

/** Dust of dark scales. */
function scales(pen: Pen, part: string, polygon: readonly Point[], dark: string): void {
  const random = seeded('scales');
  const edge = flat(polygon);
  const xs = polygon.map(([x]) => x);
  const ys = polygon.map(([, y]) => y);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const dots = Array.from({ length: 260 }, (): Point => [x0 + (x1 - x0) * random(), y0 + (y1 - y0) * random()]).filter(([x, y]) =>
    inside(edge, x, y),
  );
  pen.inks.push({ d: dotPath(dots), part, stroke: dark, strokeWidth: Math.max(1, Math.round(pen.size * 0.42)), opacity: 0.7 });
}
