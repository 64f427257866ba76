import { seeded } from '../../probability';
import { curvePath, dotPath, INK, linePath, PAPER } from '../display';
import { curve, type Point, polar, sample } from '../geometry';
import { note, type Pen, shape, stippleIn, stroke, wash } from '../pen';
import { FLUSH, GREENS, type UmbelModel } from './model';

/** Radius of the cut stem on its plate, in millimetres. */
const RADIUS = 7;
const RIDGES = 11;

/** The cut face, and beside it a length of the stem. */
export function drawStemPlate(pen: Pen, model: UmbelModel): void {
  drawSection(pen, model, [0, 0]);
  drawLength(pen, model, [RADIUS * 1.75, -RADIUS * 2.6]);
}

function rim(model: UmbelModel, [cx, cy]: Point, steps: number): Point[] {
  return Array.from({ length: steps }, (_, i) => {
    const a = (360 * i) / steps;
    const wave = model.surface === 'grooved' ? 1 + 0.055 * Math.cos((a * RIDGES * Math.PI) / 180) : 1;
    return polar([cx, cy], a, RADIUS * wave);
  });
}

export function drawSection(pen: Pen, model: UmbelModel, at: Point): void {
  const full = pen.detail === 'full';
  const steps = model.surface === 'grooved' ? RIDGES * (full ? 4 : 2) : 16;
  const outline = curve(rim(model, at, steps));
  if (model.surface === 'bristly') bristlesRound(pen, at);
  const polygon = shape(pen, { outline, part: 'section', tint: GREENS[model.leafTint].stem, weight: 1.2 });
  const flesh = curve(Array.from({ length: 16 }, (_, i) => polar(at, i * 22.5, RADIUS * 0.86)));
  wash(pen, 'section', sample(flesh, full ? 3 : 1), '#E9EFD9');
  if (model.section !== 'solid') {
    const hole = Array.from({ length: 16 }, (_, i) => polar(at, i * 22.5, RADIUS * 0.6));
    shape(pen, { outline: curve(hole), part: 'section', tint: model.section === 'hollow' ? '#4C5A4C' : '#6C7A66', weight: 0.6 });
  }
  if (model.section === 'chambered') {
    // Thin walls across the hollow, leaving small rooms.
    for (const [from, to] of [
      [200, 20],
      [255, 75],
      [310, 130],
      [165, -15],
    ] as const)
      stroke(
        pen,
        'section',
        curve([polar(at, from, RADIUS * 0.6), polar(at, (from + to) / 2, RADIUS * 0.1), polar(at, to, RADIUS * 0.6)], [], false),
        full ? 0.05 : 0.07,
        '#E9EFD9',
      );
  }
  if (full) {
    if (model.section === 'solid')
      stippleIn(pen, 'section', polygon, (x, y) => 0.1 + 0.32 * Math.max(0, Math.hypot(x - at[0], y - at[1]) / RADIUS - 0.25));
    const bundles = Array.from({ length: 22 }, (_, i) => polar(at, i * (360 / 22), RADIUS * 0.74));
    pen.inks.push({ d: dotPath(bundles), part: 'section', stroke: INK, strokeWidth: Math.round(RADIUS * 10) });
    pen.inks.push({ d: dotPath(bundles), part: 'section', stroke: '#E9EFD9', strokeWidth: Math.round(RADIUS * 5) });
  }
}

function bristlesRound(pen: Pen, at: Point): void {
  const hairs = Array.from(
    { length: pen.detail === 'full' ? 40 : 18 },
    (_, i, { length } = { length: pen.detail === 'full' ? 40 : 18 }): Point[] => {
      const a = (360 * i) / length;
      return [polar(at, a, RADIUS * 0.98), polar(at, a + 5, RADIUS * (1.2 + 0.12 * (i % 3)))];
    },
  );
  note(pen, 'section', hairs.flat());
  pen.inks.push({
    d: hairs.map((hair) => linePath(hair, false)).join(''),
    part: 'section',
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(pen.size * 1.1)),
  });
}

/** A piece of stem standing upright: surface and colour. */
export function drawLength(pen: Pen, model: UmbelModel, [left, top]: Point): void {
  const full = pen.detail === 'full';
  const [wide, high] = [RADIUS * 1.5, RADIUS * 4.2];
  const random = seeded('stem');
  const hairs: Point[][] = [];
  if (model.surface === 'bristly') {
    const many = full ? 34 : 9;
    for (let k = 0; k < many; k++)
      for (const side of [0, 1]) {
        const y = top + (high * (k + 0.5 * side + 0.2)) / many;
        hairs.push([
          [left + side * wide, y],
          [left + side * wide + (side ? 1 : -1) * RADIUS * (0.3 + 0.14 * (k % 3)), y - RADIUS * 0.16],
        ]);
      }
    note(pen, 'stem', hairs.flat());
    pen.inks.push({
      d: hairs.map((hair) => linePath(hair, false)).join(''),
      part: 'stem',
      stroke: INK,
      strokeWidth: Math.max(1, Math.round(pen.size * (full ? 0.7 : 1.1))),
    });
  }
  const outline = curve(
    [
      [left, top],
      [left + wide * 0.5, top - RADIUS * 0.16],
      [left + wide, top],
      [left + wide, top + high],
      [left + wide * 0.5, top + high + RADIUS * 0.16],
      [left, top + high],
    ],
    [0, 2, 3, 5],
  );
  const polygon = shape(pen, { outline, part: 'stem', tint: GREENS[model.leafTint].stem, weight: 1.1 }, () => {
    if (model.marks === 'flushed')
      wash(
        pen,
        'marks',
        [
          [left, top + high * 0.45],
          [left + wide * 0.5, top + high * 0.36],
          [left + wide, top + high * 0.45],
          [left + wide, top + high],
          [left + wide * 0.5, top + high * 1.03],
          [left, top + high],
        ],
        FLUSH,
        0.62,
      );
    if (model.marks === 'blotched') {
      for (let k = 0; k < (full ? 26 : 8); k++) {
        const at: Point = [left + wide * (0.12 + 0.76 * random()), top + high * (0.04 + 0.92 * random())];
        const [rx, ry] = [wide * (0.05 + 0.06 * random()), high * (0.016 + 0.024 * random())].map((r) => r * (full ? 1 : 1.5));
        const ring = Array.from({ length: 6 }, (_, i): Point => [
          at[0] + rx * Math.cos((i * Math.PI) / 3),
          at[1] + ry * Math.sin((i * Math.PI) / 3),
        ]);
        wash(pen, 'marks', full ? sample(curve(ring), 2) : ring, FLUSH, 0.92);
      }
    }
  });
  if (full)
    stippleIn(pen, 'stem', polygon, (x) => {
      const u = (x - left) / wide;
      return 0.04 + 0.7 * Math.max(0, u - 0.5) ** 1.4 + 0.3 * Math.max(0, 0.14 - u);
    });
  const grooves = model.surface === 'grooved' ? [0.14, 0.32, 0.5, 0.68, 0.86] : [];
  for (const u of grooves) {
    const x = left + wide * u;
    stroke(
      pen,
      'stem',
      curve(
        [
          [x, top + high * 0.01],
          [x, top + high * 0.5],
          [x, top + high * 0.99],
        ],
        [],
        false,
      ),
      full ? 0.024 : 0.04,
    );
    if (full)
      stroke(
        pen,
        'stem',
        curve(
          [
            [x + wide * 0.05, top + high * 0.02],
            [x + wide * 0.05, top + high * 0.5],
            [x + wide * 0.05, top + high * 0.98],
          ],
          [],
          false,
        ),
        0.016,
        PAPER,
        0.8,
      );
  }
  if (model.surface === 'bristly' && full) {
    const dots = Array.from({ length: 46 }, (): Point[] => {
      const from: Point = [left + wide * (0.1 + 0.8 * random()), top + high * (0.03 + 0.92 * random())];
      return [from, [from[0] + RADIUS * 0.14, from[1] - RADIUS * 0.24]];
    });
    pen.inks.push({
      d: dots.map((dot) => linePath(dot, false)).join(''),
      part: 'stem',
      stroke: INK,
      strokeWidth: Math.round(pen.size * 0.6),
    });
  }
}

/** The stem of a whole plant, as a band that narrows upwards. */
export function drawStalk(pen: Pen, model: UmbelModel, from: Point, to: Point, half: number): void {
  const bend = (to[0] - from[0]) * 0.2;
  const middle: Point = [(from[0] + to[0]) / 2 - bend, (from[1] + to[1]) / 2];
  const outline = curve(
    [
      [from[0] - half, from[1]],
      [middle[0] - half * 0.8, middle[1]],
      [to[0] - half * 0.5, to[1]],
      [to[0] + half * 0.5, to[1]],
      [middle[0] + half * 0.8, middle[1]],
      [from[0] + half, from[1]],
    ],
    [0, 2, 3, 5],
  );
  const tint = model.marks === 'flushed' ? '#A9787C' : GREENS[model.leafTint].stem;
  note(pen, 'stalk', outline.points);
  pen.inks.push({
    d: curvePath(outline),
    part: 'stalk',
    fill: tint,
    stroke: INK,
    strokeWidth: Math.max(1, Math.round(pen.size * 0.32)),
  });
  if (model.marks !== 'blotched') return;
  const random = seeded('stalk');
  const spots = Array.from({ length: pen.detail === 'full' ? 18 : 6 }, (): Point => {
    const t = 0.04 + 0.6 * random();
    const u = (random() - 0.5) * half;
    return t < 0.5
      ? [from[0] + (middle[0] - from[0]) * t * 2 + u, from[1] + (middle[1] - from[1]) * t * 2]
      : [middle[0] + (to[0] - middle[0]) * (t * 2 - 1) + u * 0.7, middle[1] + (to[1] - middle[1]) * (t * 2 - 1)];
  });
  pen.inks.push({ d: dotPath(spots), part: 'stalk', stroke: FLUSH, strokeWidth: Math.round(half * 70) });
}
