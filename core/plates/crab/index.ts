import { INK, linePath, type Plate } from '../display';
import { curve, type Point } from '../geometry';
import { type Detail, finish, newPen, note, type Pen, stroke } from '../pen';
import type { Traits } from '../traits';
import { drawAbdomen, drawSternum, drawUnderside } from './belly';
import { drawBack, drawFace, onCarapace } from './carapace';
import { drawClaw } from './claws';
import { drawLeg, legJoints } from './legs';
import { type CrabModel, crabModel, GROUNDS } from './model';

export { crabModel, type CrabModel } from './model';
export { carapaceOutline } from './carapace';
export { abdomenOutline, sternumOutline } from './belly';
export { legJoints } from './legs';

export const CRAB_VIEWS = ['dorsal', 'ventral'] as const;
export type CrabView = (typeof CRAB_VIEWS)[number];

const LEG_ROOTS: [number, number][] = [[0.78, 0.4], [0.8, 0.51], [0.74, 0.63], [0.6, 0.75]];
const COXAE: [number, number][] = [[0.5, 0.5], [0.52, 0.61], [0.46, 0.73], [0.36, 0.84]];

/** A whole crab from above or below, in millimetres, midline at x = 0 and front at y = 0. */
export function drawCrab(traits: Traits, view: CrabView, detail: Detail = 'full', pose: CrabModel['pose'] = 'rest'): Plate {
  const model = { ...crabModel(traits), pose };
  const pen = newPen(model.width, detail);
  if (view === 'dorsal') drawAbove(pen, model);
  else drawBelow(pen, model);
  return finish(pen);
}

function legs(pen: Pen, model: CrabModel, roots: [number, number][], tint: string): void {
  for (const leg of [3, 2, 1, 0]) {
    const root: Point = onCarapace(model, ...roots[leg]);
    for (const right of [false, true]) drawLeg(pen, model, { root, leg, right, tint });
  }
}

function drawAbove(pen: Pen, model: CrabModel): void {
  legs(pen, model, LEG_ROOTS, GROUNDS[model.ground].limb);
  drawClaw(pen, model, false, false);
  drawClaw(pen, model, true, false);
  drawFace(pen, model);
  drawBack(pen, model);
}

function drawBelow(pen: Pen, model: CrabModel): void {
  drawFace(pen, model);
  drawUnderside(pen, model);
  drawClaw(pen, model, false, true);
  drawClaw(pen, model, true, true);
  legs(pen, model, COXAE, GROUNDS[model.ground].limb);
  drawSternum(pen, model);
  drawAbdomen(pen, model);
}

/** The crab as a simple figure, for postures: a few lines that read at thumbnail size. */
export function drawPosture(traits: Traits, pose: CrabModel['pose']): Plate {
  const model = { ...crabModel(traits), pose };
  const pen = newPen(model.width, 'tile');
  for (const leg of [3, 2, 1, 0]) {
    for (const side of [-1, 1]) {
      const joints = legJoints(model, leg, onCarapace(model, ...LEG_ROOTS[leg])).map(([x, y]): Point => [x * side, y]);
      note(pen, 'posture', joints);
      pen.inks.push({ d: linePath(joints, false), part: 'posture', stroke: INK, strokeWidth: Math.round(model.width * 6) });
    }
  }
  drawClaw(pen, model, false, false);
  drawClaw(pen, model, true, false);
  drawBack(pen, model);
  if (pose === 'flees') {
    for (const [y, length] of [[0.1, 0.55], [0.45, 0.8], [0.8, 0.5]]) {
      const from: Point = [-1.75 * model.width, y * model.length];
      stroke(pen, 'posture', curve([from, [from[0] + length * model.width * 0.8, from[1]]], [], false), 0.04);
      note(pen, 'posture', [from]);
    }
  }
  return finish(pen, 0.1);
}

