import type { Plate } from '../display';
import type { Point } from '../geometry';
import { type Detail, finish, newPen, type Pen } from '../pen';
import type { Plan } from '../plan';
import type { Traits } from '../traits';
import { drawAbdomen, drawSternum, drawUnderside } from './belly';
import { drawBack, onCarapace } from './carapace';
import { drawFace } from './face';
import { drawClaw } from './claws';
import { drawLeg, LEG_ROOTS } from './legs';
import { type CrabModel, crabModel, GROUNDS } from './model';
import { crabMeasures } from './measures';
import { crabTile } from './tiles';
import { CRAB_TRAITS } from './vocabulary';
import { CRAB_PLACES } from './places';

export { crabModel, type CrabModel } from './model';
export { carapaceOutline } from './carapace';
export { abdomenOutline, sternumOutline } from './belly';

export const CRAB_VIEWS = ['dorsal', 'ventral'] as const;
export type CrabView = (typeof CRAB_VIEWS)[number];

const COXAE: [number, number][] = [
  [0.5, 0.5],
  [0.52, 0.61],
  [0.46, 0.73],
  [0.36, 0.84],
];

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

export const CRAB: Plan = {
  vocabulary: CRAB_TRAITS,
  places: CRAB_PLACES,
  views: CRAB_VIEWS,
  draw: (traits, view, detail) => drawCrab(traits, view as CrabView, detail),
  tile: crabTile,
  measures: crabMeasures,
};
