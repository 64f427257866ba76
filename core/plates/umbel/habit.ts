import { INK, linePath } from '../display';
import { curve, type Point } from '../geometry';
import { note, type Pen, stroke } from '../pen';
import { drawUmbel } from './flower';
import { drawLeaf, drawSheath } from './leaf';
import type { UmbelModel } from './model';
import { drawStalk } from './stem';

/** The whole plant from the ground up, at its true height. */
export function drawHabit(pen: Pen, model: UmbelModel): void {
  const H = model.height * 10;
  drawGround(pen, H);
  if (model.bears === 'leaves') {
    drawRosette(pen, model, H * 0.3);
    return;
  }
  const top: Point = [H * 0.015, -H * 0.82];
  const joints: { at: Point; side: 1 | -1; size: number; branch: boolean }[] = [
    { at: [0, -H * 0.1], side: -1, size: H * 0.36, branch: false },
    { at: [0, -H * 0.2], side: 1, size: H * 0.33, branch: false },
    { at: [H * 0.004, -H * 0.38], side: -1, size: H * 0.25, branch: true },
    { at: [H * 0.008, -H * 0.54], side: 1, size: H * 0.18, branch: true },
  ];
  for (const { at, side, size } of joints)
    drawLeaf(pen, model, { foot: at, degrees: -90 + side * 42, length: size, arch: side * 34 }, true);
  for (const { at, side, branch } of joints) {
    if (!branch) continue;
    const end: Point = [at[0] - side * H * 0.17, at[1] - H * 0.25];
    drawStalk(pen, model, at, end, H * 0.0055);
    drawUmbel(pen, model, end, H * 0.095, true);
  }
  drawStalk(pen, model, [0, 0], top, H * 0.011);
  if (pen.detail !== 'figure')
    for (const { at, size } of joints) drawSheath(pen, model, [at[0], at[1] + size * 0.05], size * 0.2);
  drawUmbel(pen, model, top, H * 0.15, true);
  note(pen, 'habit', [
    [-H * 0.3, -H],
    [H * 0.3, 0],
  ]);
}

/** How basal leaves stand, the hindmost first: how far each leans, how long it is, and how far it spreads. */
const BASAL: readonly [lean: number, long: number, spread: number][] = [
  [0, 1, 0.5],
  [-37, 0.94, 0.5],
  [38, 0.97, 0.5],
  [-74, 0.82, 0.52],
  [73, 0.84, 0.52],
];

/** Leaves from the ground, in planes that do not cross: each has room of its own between its neighbours. */
function drawRosette(pen: Pen, model: UmbelModel, size: number): void {
  const figure = pen.detail === 'figure';
  for (const [lean, long, spread] of figure ? BASAL.filter(([lean]) => lean === 0 || Math.abs(lean) > 50) : BASAL) {
    const foot: Point = figure ? [0, 0] : [(size * 0.05 * lean) / 74, -size * 0.06];
    drawLeaf(pen, model, { foot, degrees: -90 + lean * 0.72, length: size * long, spread, arch: lean * 0.56 }, true);
  }
  if (figure) return;
  // The sheaths at their feet, the outer ones behind.
  for (const [x, long] of [
    [-0.055, 0.15],
    [0.055, 0.15],
    [0, 0.2],
  ])
    drawSheath(pen, model, [size * x, size * 0.03], size * long);
}

function drawGround(pen: Pen, height: number): void {
  const wide = height * 0.2;
  stroke(
    pen,
    'ground',
    curve(
      [
        [-wide, height * 0.006],
        [-wide * 0.4, -height * 0.002],
        [wide * 0.3, height * 0.004],
        [wide, 0],
      ],
      [],
      false,
    ),
    0.012,
  );
  note(pen, 'ground', [
    [-wide, 0],
    [wide, height * 0.03],
  ]);
  if (pen.detail !== 'full') return;
  const lines = Array.from({ length: 20 }, (_, i): Point[] => {
    const x = -wide * 0.9 + (i * wide * 1.8) / 19;
    return [
      [x, height * (0.01 + 0.004 * (i % 3))],
      [x - wide * 0.09, height * (0.024 + 0.004 * (i % 2))],
    ];
  });
  pen.inks.push({
    d: lines.map((line) => linePath(line, false)).join(''),
    part: 'ground',
    stroke: INK,
    strokeWidth: Math.round(height * 0.14),
    opacity: 0.7,
  });
}
