import type { Character } from '../../guide/working';
import { cropPlate, type Plate, squareRound } from '../display';
import { finish, newPen, type Pen } from '../pen';
import type { Traits } from '../traits';
import { drawAbdomen, drawSternum, drawUnderside } from './belly';
import { drawBack, onCarapace } from './carapace';
import { drawFace } from './face';
import { drawClaw } from './claws';
import { drawPosture } from './posture';
import { drawLeg } from './legs';
import { type CrabModel, crabModel } from './model';

/** What each part of the crab is drawn with, and how much room is left round it. */
const PARTS: Record<string, { draw: (pen: Pen, model: CrabModel, ventral: boolean) => void; margin: number }> = {
  front: { draw: above, margin: 0 },
  side: { draw: back, margin: 0.04 },
  rear: { draw: back, margin: 0 },
  back: { draw: back, margin: 0 },
  carapace: { draw: above, margin: 0.06 },
  claws: {
    draw: (pen, model) => {
      bothClaws(pen, model);
      back(pen, model);
    },
    margin: 0,
  },
  'claw-right': { draw: (pen, model, ventral) => drawClaw(pen, model, true, ventral), margin: 0.08 },
  'claw-right-fingers': { draw: (pen, model) => drawClaw(pen, model, true, false), margin: 0.06 },
  'leg-2-right': { draw: leg, margin: 0.06 },
  'leg-2-right-tip': { draw: leg, margin: 0.25 },
  abdomen: { draw: below, margin: 0 },
  belly: { draw: below, margin: 0 },
};

function back(pen: Pen, model: CrabModel): void {
  drawBack(pen, model);
}

function above(pen: Pen, model: CrabModel): void {
  drawFace(pen, model);
  drawBack(pen, model);
}

function bothClaws(pen: Pen, model: CrabModel): void {
  drawClaw(pen, model, false, false);
  drawClaw(pen, model, true, false);
}

function leg(pen: Pen, model: CrabModel): void {
  drawLeg(pen, model, { root: onCarapace(model, 0.8, 0.51), leg: 1, right: true, tint: TILE_LEG });
}

function below(pen: Pen, model: CrabModel): void {
  // The side teeth are not what these tiles are about.
  drawUnderside(pen, { ...model, teeth: 2, toothForm: 'blunt' });
  drawSternum(pen, model);
  drawAbdomen(pen, model);
}

const TILE_LEG = '#E8CDA2';

/** A crab with nothing remarkable about it: tiles differ from each other only in the state they show. */
const NEUTRAL: Traits = {
  'carapace-width': 30,
  'width-ratio': 1.26,
  'front-edge': 'two-lobes',
  'side-teeth': 5,
  'tooth-form': 'sharp',
  'back-groove': 'faint',
  granules: 'smooth',
  'claw-ratio': 0.68,
  'claw-depth': 0.47,
  'leg-ratio': 1.25,
  abdomen: 'narrow',
  'abdomen-ratio': 0.4,
  'ground-colour': 'ochre',
};

/** What goes with a state, so that the tile looks as such animals do. */
const WITH: Record<string, Traits> = {
  broad: { 'abdomen-ratio': 0.82 },
  slim: { 'abdomen-ratio': 0.34 },
  carried: { abdomen: 'broad', 'abdomen-ratio': 0.72 },
};

/**
 * A small drawing of one state: the crab with that state, cropped to the part
 * that shows it. Undefined for characters the plan cannot draw.
 */
export function crabTile(character: Character, state: string | number): Plate | undefined {
  const part = character.plate?.part;
  if (!part) return undefined;
  if (part === 'posture') return drawPosture(NEUTRAL, state as CrabModel['pose']);
  const drawn = PARTS[part];
  if (!drawn) return undefined;
  const model = crabModel({ ...NEUTRAL, ...WITH[state], [character.id]: state });
  const pen = newPen(model.width, part === 'claws' ? 'figure' : 'tile');
  drawn.draw(pen, model, character.plate!.view === 'ventral');
  const plate = finish(pen);
  const window = part === 'claws' ? plate.box : pen.parts[part];
  return cropPlate(plate, squareRound(window, drawn.margin));
}
