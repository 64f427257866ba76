import { seeded } from '../../chance';
import { dotPath, INK, linePath, PAPER } from '../display';
import { curve, flat, inside, mirrored, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stippleIn, stroke, wash } from '../pen';
import type { Tone } from '../stipple';
import { drawAntenna, drawLeg } from './limbs';
import { type BeetleModel, GROUNDS, LEGS, proportions } from './model';
import { elytraHalf, elytraOutline, headOutline, pronotumOutline } from './outline';

/** The animal from above, front upwards, midline at x = 0. */
export function drawAbove(pen: Pen, model: BeetleModel): void {
  drawLegs(pen, model);
  drawAntennae(pen, model);
  drawJaws(pen, model);
  drawHeadAbove(pen, model);
  if (model.tip === 'cut-off') drawTail(pen, model);
  drawElytra(pen, model);
  drawPronotum(pen, model);
}

function drawLegs(pen: Pen, model: BeetleModel): void {
  const { head, pronotum, elytra, elytraWidth, pronotumWidth } = proportions(model);
  const base = head + pronotum;
  const half = model.length * 0.0235;
  const L = model.length;
  const pairs = [
    {
      part: 'hind-leg',
      root: [elytraWidth * 0.3, base + elytra * 0.4] as Point,
      angles: [28, 78, 98] as const,
      lengths: [L * 0.27, L * 0.27, L * 0.23] as const,
    },
    {
      part: 'mid-leg',
      root: [elytraWidth * 0.36, base + elytra * 0.14] as Point,
      angles: [8, 64, 84] as const,
      lengths: [L * 0.21, L * 0.2, L * 0.18] as const,
    },
    {
      part: 'fore-leg',
      root: [pronotumWidth * 0.36, head + pronotum * 0.66] as Point,
      angles: [-28, -74, -62] as const,
      lengths: [L * 0.19, L * 0.18, L * 0.16] as const,
    },
  ];
  for (const { part, root, angles, lengths } of pairs) {
    for (const right of [false, true]) {
      const own: [number, number, number] = right ? [...angles] : [180 - angles[0], 180 - angles[1], 180 - angles[2]];
      drawLeg(pen, model, {
        root: right ? root : [-root[0], root[1]],
        angles: own,
        lengths,
        half,
        part: `${part}-${right ? 'right' : 'left'}`,
        tint: LEGS[model.legs],
        hind: part === 'hind-leg',
        fore: part === 'fore-leg',
      });
    }
  }
}

/** A bowed line from the side of the head, forwards, out and back; exactly as long as scored. */
export function antennaPath(model: BeetleModel): Point[] {
  const { head, headWidth } = proportions(model);
  const reach = model.antennaReach * model.length;
  const turns = [-62, -48, -30, -10, 8, 22];
  return turns.reduce<Point[]>(
    (all, angle) => [...all, polar(all[all.length - 1], angle, reach / turns.length)],
    [[headWidth * 0.36, head * 0.3]],
  );
}

function drawAntennae(pen: Pen, model: BeetleModel): void {
  const right = curve(antennaPath(model), [], false);
  for (const side of [mirrored(right), right]) {
    // Mirrored lines run towards the head; beads are counted from it.
    const path = side === right ? right : curve([...side.points].reverse(), [], false);
    drawAntenna(pen, model, path, model.length * 0.0095, 'antenna', LEGS[model.legs]);
  }
}

function drawJaws(pen: Pen, model: BeetleModel): void {
  const { head, headWidth } = proportions(model);
  const long = model.mandible === 'sickle' ? 1 : 0.5;
  const w = headWidth / 2;
  const right = curve(
    [
      [w * 0.16, head * 0.2],
      [w * 0.5, head * 0.14],
      [w * 0.5, -head * 0.3 * long],
      [w * 0.08, -head * 0.78 * long],
      [w * 0.22, -head * 0.34 * long],
      [w * 0.2, 0],
    ],
    [3],
  );
  for (const outline of [mirrored(right), right]) shape(pen, { outline, part: 'jaws', tint: '#7A5A3C', weight: 0.6 });
  if (model.mandible !== 'toothed') return;
  for (const side of [-1, 1])
    wash(
      pen,
      'jaws',
      [
        [side * w * 0.2, head * 0.02],
        [side * w * 0.02, -head * 0.1],
        [side * w * 0.22, -head * 0.16],
      ],
      '#5A3F28',
    );
}

function drawHeadAbove(pen: Pen, model: BeetleModel): void {
  const { head, headWidth } = proportions(model);
  const bulge = model.eyes === 'bulging';
  for (const side of [-1, 1]) {
    const [cx, cy] = [side * (headWidth / 2) * (bulge ? 0.93 : 0.8), head * (bulge ? 0.6 : 0.58)];
    const [rx, ry] = [headWidth * (bulge ? 0.2 : 0.11), head * (bulge ? 0.34 : 0.22)];
    const ring = Array.from({ length: 8 }, (_, i): Point => [
      cx + rx * Math.cos((i * Math.PI) / 4),
      cy + ry * Math.sin((i * Math.PI) / 4),
    ]);
    shape(pen, { outline: curve(ring), part: 'eyes', tint: '#26302E', weight: 0.6 });
    if (pen.detail === 'full')
      wash(
        pen,
        'eyes',
        ring.map(([x, y]): Point => [cx - rx * 0.3 + (x - cx) * 0.3, cy - ry * 0.35 + (y - cy) * 0.25]),
        PAPER,
        0.85,
      );
  }
  const outline = headOutline(model);
  const polygon = sample(outline, 4);
  shape(pen, {
    outline,
    part: 'head',
    tint: GROUNDS[model.ground].fore,
    weight: 0.85,
    tone: roundTone(polygon, headWidth * 0.3, 0.06, 0.6),
  });
  if (pen.detail !== 'full') return;
  for (const side of [-1, 1])
    stroke(
      pen,
      'head',
      curve(
        [
          [side * headWidth * 0.13, head * 0.2],
          [side * headWidth * 0.17, head * 0.45],
          [side * headWidth * 0.1, head * 0.62],
        ],
        [],
        false,
      ),
      0.012,
    );
}

function drawTail(pen: Pen, model: BeetleModel): void {
  const { head, pronotum, elytra, elytraWidth } = proportions(model);
  const at = (u: number, v: number): Point => [(u * elytraWidth) / 2, head + pronotum + v * elytra];
  const outline = curve([at(-0.6, 0.92), at(0.6, 0.92), at(0.42, 0.99), at(0, 1.0), at(-0.42, 0.99)]);
  shape(pen, {
    outline,
    part: 'tail',
    tint: GROUNDS[model.ground].fore,
    weight: 0.8,
    tone: roundTone(sample(outline, 4), elytraWidth * 0.12, 0.1, 0.6),
  });
}

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
    wash(pen, 'elytra', sample(stripe, 4), PAPER, 0.3);
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
  const chance = seeded('hair');
  const edge = flat(polygon);
  const full = pen.detail === 'full';
  const many = model.hair === 'dense' ? (full ? 520 : 40) : full ? 110 : 14;
  const long = model.length * (model.hair === 'dense' ? 0.026 : 0.034) * (full ? 1 : 1.7);
  const hairs = Array.from({ length: many }, (): Point[] => {
    const from: Point = [(chance() * 2 - 1) * elytraWidth * 0.5, head + pronotum + elytra * (0.03 + chance() * 0.93)];
    return [from, polar(from, 84 + chance() * 18, long)];
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
  const chance = seeded(`beetle ${model.pattern}`);
  const n = pen.detail === 'full' ? 14 : 7;
  const spot = (u: number, v: number, ru: number, rv: number) => {
    for (const side of [-1, 1]) {
      const ring = Array.from({ length: n }, (_, i): Point => {
        const a = (i / n) * 2 * Math.PI;
        const r = 1 + (chance() - 0.5) * 0.16;
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
        return rowPoint(model, half, u * 0.985, v + 0.035 * Math.cos(u * 9) + (chance() - 0.5) * 0.012);
      });
    wash(pen, 'elytra', [...edge(0.4, true), ...edge(0.58, false)], mark);
  }
  if (model.pattern === 'pale-edge') {
    for (const side of [-1, 1]) {
      const steps = Array.from({ length: n }, (_, i) => 0.06 + (0.88 * i) / (n - 1));
      const outer = steps.map((v) => rowPoint(model, half, side * 1.0, v));
      const inner = steps.map((v) => rowPoint(model, half, side * (0.74 + (chance() - 0.5) * 0.03), v)).reverse();
      wash(pen, 'elytra', [...outer, ...inner], mark);
    }
  }
}

export function drawPronotum(pen: Pen, model: BeetleModel): void {
  const { head, pronotum, pronotumWidth } = proportions(model);
  const full = pen.detail === 'full';
  const outline = pronotumOutline(model);
  const polygon = sample(outline, 4);
  shape(pen, {
    outline,
    part: 'pronotum',
    tint: GROUNDS[model.ground].fore,
    weight: 1,
    tone: roundTone(polygon, pronotumWidth * 0.22, 0.06, 0.72),
  });
  const at = (u: number, v: number): Point => [(u * pronotumWidth) / 2, head + v * pronotum];
  if (full)
    wash(
      pen,
      'pronotum',
      sample(curve([at(-0.66, 0.2), at(-0.3, 0.12), at(-0.16, 0.34), at(-0.3, 0.6), at(-0.62, 0.56)]), 4),
      PAPER,
      0.26,
    );
  const deep = model.groove === 'deep';
  if (model.groove !== 'absent')
    stroke(pen, 'pronotum', curve([at(0, 0.08), at(0, 0.5), at(0, 0.93)], [], false), (deep ? 0.03 : 0.011) * (full ? 1 : 1.3));
  if (model.pits === 'two') {
    for (const side of [-1, 1]) {
      const pit = curve([at(side * 0.5, 0.66), at(side * 0.58, 0.8), at(side * 0.5, 0.93), at(side * 0.44, 0.8)]);
      wash(pen, 'pronotum', sample(pit, 3), INK, 0.82);
    }
  }
  if (full) {
    const chance = seeded('pronotum');
    const edge = flat(polygon);
    const dots = Array.from({ length: 150 }, () => at((chance() * 2 - 1) * 0.94, 0.06 + chance() * 0.88)).filter(([x, y]) =>
      inside(edge, x * 1.06, y),
    );
    pen.inks.push({ d: dotPath(dots), part: 'pronotum', stroke: INK, strokeWidth: Math.max(1, Math.round(model.length * 0.55)) });
  }
  note(pen, 'hind-angle', [at(0.3, 0.62), at(1.12, 1.12)]);
}
