import { INK, PAPER } from '../display';
import { curve, type Point, sample } from '../geometry';
import { note, type Pen, roundTone, shape, stroke, wash } from '../pen';
import { drawLeg } from './limbs';
import { type BeetleModel, GROUNDS, LEGS, proportions } from './model';

/** Height of the back above the side line along the body (0 front … 1 rear), in body lengths, by profile. */
const BACKS: Record<BeetleModel['profile'], { pronotum: number[]; elytra: number[] }> = {
  flat: { pronotum: [0.055, 0.085, 0.095, 0.09], elytra: [0.1, 0.118, 0.122, 0.115, 0.085, 0.03] },
  arched: { pronotum: [0.06, 0.115, 0.13, 0.115], elytra: [0.13, 0.18, 0.195, 0.175, 0.115, 0.035] },
  humped: { pronotum: [0.05, 0.17, 0.205, 0.15], elytra: [0.155, 0.235, 0.26, 0.225, 0.14, 0.04] },
};

/** The animal from its left side, head to the left. */
export function drawSide(pen: Pen, model: BeetleModel): void {
  const { head, pronotum, elytra } = proportions(model);
  const L = model.length;
  const back = BACKS[model.profile];
  const tint = GROUNDS[model.ground];
  const foot = head + pronotum;
  if (pen.detail !== 'tile') drawSideLegs(pen, model, foot);
  const belly = curve([
    [head * 0.9, L * 0.01],
    [foot, L * 0.02],
    [L * 0.96, L * 0.012],
    [L * 0.9, L * 0.075],
    [foot + elytra * 0.3, L * 0.125],
    [foot - pronotum * 0.2, L * 0.11],
    [head, L * 0.07],
  ]);
  shape(pen, {
    outline: belly,
    part: 'belly',
    tint: tint.fore,
    weight: 0.8,
    tone: roundTone(sample(belly, 4), L * 0.1, 0.22, 0.7),
  });
  const skull = curve([
    [head * 1.15, -L * back.pronotum[0] * 0.9],
    [head * 0.5, -L * 0.06],
    [head * 0.06, -L * 0.015],
    [head * 0.02, L * 0.02],
    [head * 0.4, L * 0.055],
    [head * 1.15, L * 0.06],
  ]);
  shape(pen, {
    outline: skull,
    part: 'head',
    tint: tint.fore,
    weight: 0.85,
    tone: roundTone(sample(skull, 4), L * 0.06, 0.06, 0.6),
  });
  const eye = Array.from({ length: 8 }, (_, i): Point => [
    head * 0.68 + head * (model.eyes === 'bulging' ? 0.26 : 0.15) * Math.cos((i * Math.PI) / 4),
    -L * 0.012 + L * (model.eyes === 'bulging' ? 0.036 : 0.022) * Math.sin((i * Math.PI) / 4),
  ]);
  shape(pen, { outline: curve(eye), part: 'eyes', tint: '#26302E', weight: 0.6 });
  const jaw = curve(
    [
      [head * 0.2, L * 0.015],
      [-head * (model.mandible === 'sickle' ? 0.62 : 0.3), L * 0.035],
      [head * 0.16, L * 0.05],
    ],
    [1],
  );
  shape(pen, { outline: jaw, part: 'jaws', tint: '#7A5A3C', weight: 0.5 });
  const cases: Point[] = back.elytra.map((h, i) => [foot + (elytra * i) / (back.elytra.length - 1), -L * h]);
  const wing = curve(
    [
      ...cases,
      [L * 0.985, L * 0.004],
      [foot + elytra * 0.72, L * 0.052],
      [foot + elytra * 0.3, L * 0.062],
      [foot + elytra * 0.02, L * 0.04],
    ],
    [0],
  );
  const polygon = sample(wing, 5);
  shape(pen, { outline: wing, part: 'elytra', tint: tint.body, weight: 1.1, tone: roundTone(polygon, L * 0.13, 0.05, 0.8) });
  if (pen.detail === 'full') {
    const crest = cases.slice(0, -1).map(([x, y]): Point => [x + elytra * 0.05, y * 0.8]);
    const under = cases.slice(0, -1).map(([x, y]): Point => [x + elytra * 0.07, y * 0.52]);
    wash(pen, 'elytra', sample(curve([...crest, ...under.reverse()]), 4), PAPER, 0.28);
  }
  if (pen.detail !== 'figure') sideRows(pen, model, back.elytra, foot, elytra);
  const shield: Point[] = back.pronotum.map((h, i) => [head + (pronotum * (i + 0.02)) / (back.pronotum.length - 1), -L * h]);
  const plate = curve(
    [...shield, [foot + L * 0.004, L * 0.03], [head + pronotum * 0.5, L * 0.052], [head + pronotum * 0.06, L * 0.03]],
    [3],
  );
  shape(pen, {
    outline: plate,
    part: 'pronotum',
    tint: tint.fore,
    weight: 1,
    tone: roundTone(sample(plate, 4), L * 0.09, 0.06, 0.72),
  });
  note(pen, 'profile', [
    [head * 0.4, -L * 0.27],
    [L, L * 0.1],
  ]);
}

function sideRows(pen: Pen, model: BeetleModel, back: readonly number[], foot: number, elytra: number): void {
  if (model.punctures === 'none') return;
  const rows = pen.detail === 'full' ? 5 : 2;
  for (let k = 1; k <= rows; k++) {
    const share = k / (rows + 1);
    const line = back
      .slice(0, -1)
      .map((h, i): Point => [foot + (elytra * (i + 0.25)) / (back.length - 1), -model.length * (h * (1 - share) - 0.04 * share)]);
    stroke(pen, 'elytra', curve(line, [], false), model.punctures === 'coarse' ? 0.011 : 0.005, INK, 0.85);
  }
}

function drawSideLegs(pen: Pen, model: BeetleModel, foot: number): void {
  const L = model.length;
  const { elytra } = proportions(model);
  const half = L * 0.021;
  const legs = [
    {
      part: 'fore-leg',
      root: [foot - L * 0.1, L * 0.07] as Point,
      angles: [150, 104, 170] as const,
      lengths: [L * 0.15, L * 0.15, L * 0.12] as const,
    },
    {
      part: 'mid-leg',
      root: [foot + elytra * 0.12, L * 0.09] as Point,
      angles: [118, 78, 160] as const,
      lengths: [L * 0.14, L * 0.16, L * 0.12] as const,
    },
    {
      part: 'hind-leg',
      root: [foot + elytra * 0.34, L * 0.09] as Point,
      angles: [32, 78, 16] as const,
      lengths: [L * 0.2, L * 0.2, L * 0.17] as const,
    },
  ];
  for (const { part, root, angles, lengths } of legs) {
    drawLeg(pen, model, {
      root,
      angles,
      lengths,
      half,
      part,
      tint: LEGS[model.legs],
      hind: part === 'hind-leg',
      fore: part === 'fore-leg',
    });
  }
}
