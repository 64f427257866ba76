import { seeded } from '../../probability';
import { dotPath, INK, PAPER } from '../display';
import { curve, flat, inside, mirrored, type Point, polar, sample } from '../geometry';
import { note, type Pen, roundTone, shape, sheen, stroke, wash } from '../pen';
import { drawElytra } from './elytra';
import { drawAntenna, drawLeg } from './limbs';
import { type BeetleModel, GROUNDS, LEGS, proportions } from './model';
import { headOutline, pronotumOutline } from './outline';

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
    sheen(
      pen,
      'pronotum',
      sample(curve([at(-0.66, 0.2), at(-0.3, 0.12), at(-0.16, 0.34), at(-0.3, 0.6), at(-0.62, 0.56)]), 4),
      PAPER,
      0.42,
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
    const random = seeded('pronotum');
    const edge = flat(polygon);
    const dots = Array.from({ length: 150 }, () => at((random() * 2 - 1) * 0.94, 0.06 + random() * 0.88)).filter(([x, y]) =>
      inside(edge, x * 1.06, y),
    );
    pen.inks.push({ d: dotPath(dots), part: 'pronotum', stroke: INK, strokeWidth: Math.max(1, Math.round(model.length * 0.55)) });
  }
  note(pen, 'hind-angle', [at(0.3, 0.62), at(1.12, 1.12)]);
}
