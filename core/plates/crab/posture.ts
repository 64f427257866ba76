import { INK, linePath, type Plate } from '../display';
import { curve, type Point } from '../geometry';
import { finish, newPen, note, stroke } from '../pen';
import type { Traits } from '../traits';
import { drawBack, onCarapace } from './carapace';
import { drawClaw } from './claws';
import { LEG_ROOTS, legJoints } from './legs';
import { type CrabModel, crabModel } from './model';

/** The crab as a simple figure, for postures: a few lines that read at thumbnail size. */
export function drawPosture(traits: Traits, pose: CrabModel['pose']): Plate {
  const model: CrabModel = { ...crabModel(traits), pose, teeth: 2, toothForm: 'blunt' };
  const pen = newPen(model.width, 'figure');
  for (const leg of [3, 2, 1, 0]) {
    for (const side of [-1, 1]) {
      const joints = legJoints(model, leg, onCarapace(model, ...LEG_ROOTS[leg])).map(([x, y]): Point => [x * side, y]);
      note(pen, 'posture', joints);
      pen.inks.push({ d: linePath(joints, false), part: 'posture', stroke: INK, strokeWidth: Math.round(model.width * 7) });
    }
  }
  drawClaw(pen, model, false, false);
  drawClaw(pen, model, true, false);
  drawBack(pen, model);
  if (pose === 'flees') {
    for (const [y, length] of [[0.45, 0.8]]) {
      const from: Point = [-1.75 * model.width, y * model.length];
      stroke(pen, 'posture', curve([from, [from[0] + length * model.width * 0.8, from[1]]], [], false), 0.04);
      note(pen, 'posture', [from]);
    }
  }
  return finish(pen, 0.02);
}
