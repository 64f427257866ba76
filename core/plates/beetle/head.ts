import { INK, PAPER } from '../display';
import { curve, mirrored, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, sheen, stroke, wash } from '../pen';
import { segment } from './limbs';
import { type BeetleModel, GROUNDS, LEGS, proportions } from './model';

/** Half the width of the head as it is drawn from the front, in millimetres. */
const faceWidth = (model: BeetleModel) => proportions(model).headWidth;

/** Parts of the face that stand round each other; a tile about one leaves out the rest. */
const BESIDE: Record<string, readonly string[]> = {
  eyes: ['mandibles'],
  mandibles: ['mandibles'],
  clypeus: ['mandibles'],
  palp: ['mandibles', 'palps'],
  antenna: ['antenna'],
};

/**
 * The head from the front: jaws below, eyes at the sides, feelers and palps.
 *
 * @param about the part a tile is about; all of them where absent.
 */
export function drawFace(pen: Pen, model: BeetleModel, about?: string): void {
  const shown = (part: string) => about === undefined || (BESIDE[about] ?? []).includes(part);
  const w = faceWidth(model) / 2;
  const at = (u: number, v: number): Point => [u * w, v * w];
  if (shown('antenna')) drawFeelers(pen, model, at, w);
  drawEyes(pen, model, at);
  if (shown('palps')) drawPalps(pen, model, at, w);
  if (shown('mandibles')) drawMandibles(pen, model, at);
  const skull = curve([
    at(0, -0.92),
    at(0.5, -0.84),
    at(0.86, -0.5),
    at(0.92, -0.05),
    at(0.7, 0.34),
    at(0.5, 0.5),
    at(0, 0.52),
    at(-0.5, 0.5),
    at(-0.7, 0.34),
    at(-0.92, -0.05),
    at(-0.86, -0.5),
    at(-0.5, -0.84),
  ]);
  shape(pen, {
    outline: skull,
    part: 'face',
    tint: GROUNDS[model.ground].fore,
    weight: 1.05,
    tone: roundTone(sample(skull, 4), w * 0.5, 0.05, 0.66),
  });
  if (pen.detail === 'full')
    sheen(
      pen,
      'face',
      sample(curve([at(-0.66, -0.5), at(-0.24, -0.74), at(-0.06, -0.5), at(-0.3, -0.16), at(-0.62, -0.14)]), 4),
      PAPER,
      0.42,
    );
  drawClypeus(pen, model, at);
  if (pen.detail === 'full') {
    for (const side of [-1, 1])
      stroke(pen, 'face', curve([at(side * 0.3, -0.62), at(side * 0.38, -0.3), at(side * 0.28, -0.06)], [], false), 0.013);
  }
}

type At = (u: number, v: number) => Point;

function drawEyes(pen: Pen, model: BeetleModel, at: At): void {
  const bulging = model.eyes === 'bulging';
  for (const side of [-1, 1]) {
    const [cx, cy, rx, ry] = bulging ? [0.98, -0.28, 0.36, 0.44] : [0.86, -0.24, 0.16, 0.26];
    const ring = Array.from({ length: 10 }, (_, i) =>
      at(side * (cx + rx * Math.cos((i * Math.PI) / 5)), cy + ry * Math.sin((i * Math.PI) / 5)),
    );
    shape(pen, { outline: curve(ring), part: 'eyes', tint: '#26302E', weight: 0.8 });
    if (pen.detail === 'full') {
      const shine = ring.map((_, i) =>
        at(
          side * cx - 0.3 * rx + 0.24 * rx * Math.cos((i * Math.PI) / 5),
          cy - ry * 0.4 + 0.2 * ry * Math.sin((i * Math.PI) / 5),
        ),
      );
      wash(pen, 'eyes', shine, PAPER, 0.9);
    }
  }
}

function drawFeelers(pen: Pen, model: BeetleModel, at: At, w: number): void {
  const tint = LEGS[model.legs];
  for (const side of [-1, 1]) {
    const full = pen.detail === 'full';
    const turns = full ? [-30, -44, -52, -58, -64, -70, -76] : [-34, -50, -62, -72];
    const step = w * (full ? 0.27 : 0.44);
    const joints = turns.reduce<Point[]>(
      (all, a) => [...all, polar(all[all.length - 1], side > 0 ? a : 180 - a, step)],
      [at(side * 0.62, -0.5)],
    );
    for (let i = turns.length - 1; i >= 0; i--) {
      const club = model.antenna === 'clubbed' && i >= turns.length - (full ? 3 : 1);
      const wide = w * (club ? 0.15 : model.antenna === 'beaded' ? 0.105 : 0.062);
      const halves = model.antenna === 'beaded' ? [wide * 0.35, wide, wide * 0.35] : [wide * 0.6, wide, wide * 0.8];
      shape(pen, { outline: segment(pen, joints[i], joints[i + 1], halves), part: 'antenna', tint, weight: 0.7 });
    }
  }
}

function drawPalps(pen: Pen, model: BeetleModel, at: At, w: number): void {
  const tint = LEGS[model.legs];
  for (const side of [-1, 1]) {
    const root = at(side * 0.42, 0.5);
    const elbow = polar(root, side > 0 ? 52 : 128, w * 0.3);
    const knee = polar(elbow, side > 0 ? 74 : 106, w * 0.24);
    const tip = polar(knee, side > 0 ? 92 : 88, w * 0.3);
    shape(pen, { outline: segment(pen, root, elbow, [w * 0.05, w * 0.07, w * 0.06]), part: 'palps', tint, weight: 0.6 });
    shape(pen, { outline: segment(pen, elbow, knee, [w * 0.05, w * 0.08, w * 0.07]), part: 'palps', tint, weight: 0.6 });
    const halves = {
      pointed: [w * 0.06, w * 0.07, w * 0.045, w * 0.004],
      barrel: [w * 0.06, w * 0.085, w * 0.085, w * 0.06],
      axe: [w * 0.045, w * 0.08, w * 0.16, w * 0.23],
    }[model.palp];
    shape(pen, { outline: segment(pen, knee, tip, halves), part: 'palps', tint, weight: 0.75 });
    note(pen, side > 0 ? 'palp' : 'palps', [elbow, knee, tip, polar(tip, 0, w * 0.22), polar(tip, 180, w * 0.22)]);
  }
}

function drawMandibles(pen: Pen, model: BeetleModel, at: At): void {
  const sickle = model.mandible === 'sickle';
  const right = sickle
    ? curve(
        [
          at(0.44, 0.36),
          at(0.6, 0.52),
          at(0.62, 0.92),
          at(0.36, 1.28),
          at(-0.1, 1.46),
          at(0.22, 1.16),
          at(0.36, 0.84),
          at(0.26, 0.5),
        ],
        [4],
      )
    : curve([at(0.46, 0.36), at(0.56, 0.52), at(0.46, 0.8), at(0.06, 0.96), at(0.22, 0.72), at(0.2, 0.5)], [3]);
  for (const outline of [mirrored(right), right]) {
    shape(pen, {
      outline,
      part: 'mandibles',
      tint: '#8A6744',
      weight: 0.9,
      tone: roundTone(sample(outline, 3), Math.abs(at(0.2, 0)[0]), 0.08, 0.7),
    });
  }
  if (model.mandible !== 'toothed') return;
  for (const side of [-1, 1])
    shape(pen, {
      outline: curve([at(side * 0.26, 0.6), at(side * 0.0, 0.68), at(side * 0.27, 0.78)], [0, 1, 2]),
      part: 'mandibles',
      tint: '#6B4C2E',
      weight: 0.7,
    });
}

function drawClypeus(pen: Pen, model: BeetleModel, at: At): void {
  const edge: Record<BeetleModel['clypeus'], [Point[], number[]]> = {
    straight: [
      [at(0.46, 0.5), at(0, 0.5), at(-0.46, 0.5)],
      [3, 5],
    ],
    notched: [
      [at(0.46, 0.54), at(0.2, 0.53), at(0, 0.3), at(-0.2, 0.53), at(-0.46, 0.54)],
      [3, 5, 7],
    ],
    lobed: [
      [at(0.46, 0.42), at(0.24, 0.46), at(0.12, 0.66), at(0, 0.7), at(-0.12, 0.66), at(-0.24, 0.46), at(-0.46, 0.42)],
      [3, 9],
    ],
  };
  const [front, sharp] = edge[model.clypeus];
  const outline = curve([at(-0.4, 0.12), at(0, 0.06), at(0.4, 0.12), ...front], sharp);
  shape(pen, {
    outline,
    part: 'clypeus',
    tint: '#C9A877',
    weight: 0.85,
    tone: roundTone(sample(outline, 3), Math.abs(at(0.2, 0)[0]), 0.04, 0.5),
  });
  if (pen.detail === 'full') stroke(pen, 'clypeus', curve([at(-0.4, 0.12), at(0, 0.06), at(0.4, 0.12)], [], false), 0.012, INK);
}
