import { seeded } from '../../probability';
import { dotPath, INK, linePath, PAPER } from '../display';
import { curve, flat, inside, type Point, polar, sample } from '../geometry';
import { note, type Pen, shape, sheen, stippleIn, stroke, wash } from '../pen';
import type { Tone } from '../stipple';
import { type BeetleModel, GROUNDS, proportions } from './model';
import { elytraHalf, elytraOutline } from './outline';

/** Light from the upper left on two vaulted halves. */
function elytraTone(model: BeetleModel, half: (v: number) => number): Tone {
  const { head, pronotum, elytra } = proportions(model);
  return (x, y) => {
    const v = (y - head - pronotum) / elytra;
    const u = Math.max(-1, Math.min(1, x / (half(v) || 1)));
    const right = Math.max(0, (u - 0.28) / 0.72);
    const left = Math.max(0, (-u - 0.7) / 0.3);
    const seam = Math.exp(-Math.abs(x) / (elytra * 0.022)) * 0.32;
    const base = Math.exp(-v * 26) * 0.42;
    const rear = Math.max(0, (v - 0.74) / 0.26);
    return Math.min(
      0.86,
      0.04 + 0.62 * right * right + 0.3 * left * left + seam + base + 0.42 * rear * rear * (0.45 + Math.max(0, u)),
    );
  };
}

/** The wing cases with all that is on them: marks, rows, hair, seam. */
export function drawElytra(pen: Pen, model: BeetleModel): void {
  const { head, pronotum, elytra } = proportions(model);
  const half = elytraHalf(model);
  const full = pen.detail === 'full';
  const outline = elytraOutline(model);
  const polygon = shape(pen, { outline, part: 'elytra', tint: GROUNDS[model.ground].body, weight: 1.1 }, () => {
    if (full) drawSheen(pen, model, half);
    drawPattern(pen, model, half);
  });
  if (full) stippleIn(pen, 'elytra', polygon, elytraTone(model, half));
  if (pen.detail !== 'figure') {
    drawRows(pen, model, half);
    drawHair(pen, model, polygon);
  }
  const top = head + pronotum;
  const foot = model.tip === 'apart' ? 0.915 : model.tip === 'cut-off' ? 0.955 : 0.998;
  stroke(
    pen,
    'elytra',
    curve(
      [
        [0, top + elytra * 0.05],
        [0, top + elytra * 0.5],
        [0, top + elytra * foot],
      ],
      [],
      false,
    ),
    full ? 0.014 : 0.016,
  );
  drawScutellum(pen, model);
  const w = half(0.5);
  note(pen, 'elytra-tip', [
    [-w * 0.85, top + elytra * 0.66],
    [w * 0.85, top + elytra],
  ]);
  note(pen, 'shoulder', [
    [w * 0.2, top - elytra * 0.06],
    [w * 1.02, top + elytra * 0.26],
  ]);
  note(pen, 'rows', [
    [-w * 0.06, top + elytra * 0.26],
    [w * 1.04, top + elytra * 0.74],
  ]);
}

/** Where the light strikes each wing case: a long bare stripe, left of its middle. */
function drawSheen(pen: Pen, model: BeetleModel, half: (v: number) => number): void {
  for (const [from, to] of [
    [-0.78, -0.5],
    [0.16, 0.38],
  ]) {
    const edge = (u: number, swing: number) =>
      [0.06, 0.2, 0.4, 0.6, 0.78].map((v, i) => rowPoint(model, half, u + swing * Math.sin((Math.PI * i) / 4), v));
    const stripe = curve([...edge(from + 0.1, -0.1), ...edge(to - 0.1, 0.1).reverse()]);
    sheen(pen, 'elytra', sample(stripe, 4), PAPER, 0.44);
  }
}

function drawScutellum(pen: Pen, model: BeetleModel): void {
  const { head, pronotum, elytra, elytraWidth } = proportions(model);
  const y = head + pronotum;
  const w = elytraWidth * 0.075;
  shape(pen, {
    outline: curve(
      [
        [-w, y],
        [w, y],
        [0, y + elytra * 0.085],
      ],
      [0, 1, 2],
    ),
    part: 'scutellum',
    tint: GROUNDS[model.ground].fore,
    weight: 0.5,
  });
}

/** Where a row runs: its share of the half width, drawn in a little towards the tip. */
function rowPoint(model: BeetleModel, half: (v: number) => number, u: number, v: number): Point {
  const { head, pronotum, elytra } = proportions(model);
  return [u * half(v) * (1 - 0.05 * v), head + pronotum + v * elytra];
}

function drawRows(pen: Pen, model: BeetleModel, half: (v: number) => number): void {
  const full = pen.detail === 'full';
  const { rows, punctures, intervals } = model;
  const end = model.tip === 'together' ? 0.93 : 0.88;
  // A tile is seen near: one side of rows says enough, and keeps within its commands.
  const tile = pen.detail === 'tile';
  const sides = tile ? [1] : [-1, 1];
  const shown = full || pen.detail === 'thumb' ? rows : Math.min(rows, 10);
  const step = punctures === 'coarse' ? 0.042 : 0.03;
  const count = full ? Math.round((end - 0.1) / step) : 5;
  const dots: Point[] = [];
  for (const side of sides) {
    for (let k = 1; k <= shown; k++) {
      const u = (side * k) / (shown + 0.75);
      if (punctures !== 'none' && full) {
        for (let i = 0; i < count; i++)
          dots.push(rowPoint(model, half, u, 0.09 + 0.012 * (k % 2) + ((end - 0.1 - Math.abs(u) * 0.05) * i) / (count - 1)));
      }
      if (punctures !== 'none' && !full) {
        const line = [0.1, 0.5, end].map((v) => rowPoint(model, half, u, v));
        stroke(pen, 'elytra', curve(line, [], false), (punctures === 'coarse' ? 0.017 : 0.008) * (tile ? 1 : 0.5));
      }
      if (full && punctures !== 'none') {
        const line = [0.09, 0.3, 0.5, 0.7, end - Math.abs(u) * 0.05].map((v) => rowPoint(model, half, u, v));
        stroke(pen, 'elytra', curve(line, [], false), 0.0032, INK, 0.6);
      }
      if (intervals === 'ridged' && (full || k % 2 === 0)) {
        const line = [0.08, 0.3, 0.5, 0.7, 0.9].map((v) => rowPoint(model, half, (side * (k - 0.5)) / (shown + 0.75), v));
        stroke(pen, 'elytra', curve(line, [], false), full ? 0.011 : 0.022, PAPER, 0.75);
        stroke(
          pen,
          'elytra',
          curve(
            line.map(([x, y]): Point => [x + model.length * 0.006, y]),
            [],
            false,
          ),
          0.005,
        );
      }
    }
  }
  if (dots.length)
    pen.inks.push({
      d: dotPath(dots),
      part: 'elytra',
      stroke: INK,
      strokeWidth: Math.round(model.length * (punctures === 'coarse' ? 1.5 : 0.72)),
    });
}

function drawHair(pen: Pen, model: BeetleModel, polygon: readonly Point[]): void {
  if (model.hair === 'bare') return;
  const { head, pronotum, elytra, elytraWidth } = proportions(model);
  const random = seeded('hair');
  const edge = flat(polygon);
  const full = pen.detail === 'full';
  const many = model.hair === 'dense' ? (full ? 350 : 40) : full ? 110 : 14;
  const long = model.length * (model.hair === 'dense' ? 0.026 : 0.034) * (full ? 1 : 1.7);
  const hairs = Array.from({ length: many }, (): Point[] => {
    const from: Point = [(random() * 2 - 1) * elytraWidth * 0.5, head + pronotum + elytra * (0.03 + random() * 0.93)];
    return [from, polar(from, 84 + random() * 18, long)];
  }).filter(([a, b]) => inside(edge, ...a) && inside(edge, ...b));
  pen.inks.push({
    d: hairs.map((line) => linePath(line, false)).join(''),
    part: 'elytra',
    stroke: model.hair === 'dense' ? '#F4E8C8' : INK,
    strokeWidth: Math.max(1, Math.round(model.length * (full ? 0.5 : 1))),
    opacity: 0.9,
  });
}

/** Pale marks under the ink, clipped to the wing cases by their own shape. */
function drawPattern(pen: Pen, model: BeetleModel, half: (v: number) => number): void {
  const { mark } = GROUNDS[model.ground];
  const random = seeded(`beetle ${model.pattern}`);
  const n = pen.detail === 'full' ? 14 : 7;
  const spot = (u: number, v: number, ru: number, rv: number) => {
    for (const side of [-1, 1]) {
      const ring = Array.from({ length: n }, (_, i): Point => {
        const a = (i / n) * 2 * Math.PI;
        const r = 1 + (random() - 0.5) * 0.16;
        return rowPoint(model, half, side * (u + ru * r * Math.cos(a)), v + rv * r * Math.sin(a));
      });
      wash(pen, 'elytra', sample(curve(ring), pen.detail === 'full' ? 3 : 1), mark);
    }
  };
  if (model.pattern === 'two-spots') spot(0.52, 0.46, 0.25, 0.105);
  if (model.pattern === 'four-spots') {
    spot(0.54, 0.24, 0.24, 0.085);
    spot(0.48, 0.68, 0.24, 0.085);
  }
  if (model.pattern === 'band') {
    const edge = (v: number, forward: boolean) =>
      Array.from({ length: n }, (_, i): Point => {
        const u = (forward ? -1 : 1) * (1 - (2 * i) / (n - 1));
        return rowPoint(model, half, u * 0.985, v + 0.035 * Math.cos(u * 9) + (random() - 0.5) * 0.012);
      });
    wash(pen, 'elytra', [...edge(0.4, true), ...edge(0.58, false)], mark);
  }
  if (model.pattern === 'pale-edge') {
    for (const side of [-1, 1]) {
      const steps = Array.from({ length: n }, (_, i) => 0.06 + (0.88 * i) / (n - 1));
      const outer = steps.map((v) => rowPoint(model, half, side * 1.0, v));
      const inner = steps.map((v) => rowPoint(model, half, side * (0.74 + (random() - 0.5) * 0.03), v)).reverse();
      wash(pen, 'elytra', [...outer, ...inner], mark);
    }
  }
}
