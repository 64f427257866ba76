import type { Character } from '../../guide/working';
import { cropPlate, type Plate, squareRound } from '../display';
import { finish, newPen, type Pen } from '../pen';
import type { Traits } from '../traits';
import { drawAbove, drawPronotum } from './dorsal';
import { drawElytra } from './elytra';
import { drawFace } from './head';
import { drawHindLeg } from './hindLeg';
import { drawSide } from './lateral';
import { drawFoot } from './limbs';
import { type BeetleModel, beetleModel, LEGS, sizeOf } from './model';

/** A beetle with nothing remarkable about it: tiles differ from each other only in the state they show. */
const NEUTRAL: Traits = {
  'body-length': 7,
  'elytra-ratio': 1.5,
  'pronotum-ratio': 1.3,
  'puncture-rows': 6,
  'row-punctures': 'none',
  'ground-colour': 'brown',
};

/** What goes with a character, so that its states can be seen. */
const WITH: Record<string, Traits> = {
  intervals: { 'row-punctures': 'fine' },
  'puncture-rows': { 'row-punctures': 'fine' },
  'elytra-pattern': { 'ground-colour': 'black' },
  'ground-colour': { 'elytra-pattern': 'two-spots' },
};

/** What each part is drawn with, how much room is left round it, and how heavy its lines are. */
const PARTS: Record<string, { draw: (pen: Pen, model: BeetleModel) => void; margin: number; scale?: number }> = {
  body: { draw: drawAbove, margin: 0 },
  elytra: { draw: drawElytra, margin: 0.04 },
  rows: { draw: drawElytra, margin: -0.04, scale: 0.7 },
  'elytra-tip': { draw: drawElytra, margin: 0.02, scale: 0.8 },
  shoulder: {
    draw: (pen, model) => {
      drawElytra(pen, model);
      drawPronotum(pen, model);
    },
    margin: 0.1,
    scale: 0.7,
  },
  pronotum: { draw: drawPronotum, margin: 0.06, scale: 0.8 },
  'hind-angle': {
    draw: (pen, model) => {
      drawElytra(pen, model);
      drawPronotum(pen, model);
    },
    margin: 0.04,
    scale: 0.6,
  },
  eyes: { draw: (pen, model) => drawFace(pen, model, 'eyes'), margin: 0.04, scale: 0.5 },
  mandibles: { draw: (pen, model) => drawFace(pen, model, 'mandibles'), margin: 0.14, scale: 0.42 },
  clypeus: { draw: (pen, model) => drawFace(pen, model, 'clypeus'), margin: 0.12, scale: 0.32 },
  palp: { draw: (pen, model) => drawFace(pen, model, 'palp'), margin: 0.1, scale: 0.28 },
  antenna: { draw: (pen, model) => drawFace(pen, model, 'antenna'), margin: 0.02, scale: 0.6 },
  thigh: { draw: drawHindLeg, margin: 0.08, scale: 0.42 },
  shin: { draw: drawHindLeg, margin: 0.08, scale: 0.42 },
  foot: { draw: drawHindLeg, margin: 0.06, scale: 0.36 },
  claws: { draw: drawHindLeg, margin: 0.05, scale: 0.16 },
  spur: { draw: drawHindLeg, margin: 0.05, scale: 0.24 },
  profile: { draw: drawSide, margin: 0.02 },
  'fore-foot': { draw: drawForeFoot, margin: 0.1, scale: 0.36 },
};

/** The fore foot large, as the males of some have it. */
function drawForeFoot(pen: Pen, model: BeetleModel): void {
  drawFoot(pen, {
    from: [0, 0],
    direction: -24,
    length: model.length * 0.28,
    half: model.length * 0.016,
    segments: 5,
    fourth: model.fourth,
    claws: model.claws,
    tint: LEGS[model.legs],
    part: 'fore-foot',
    widened: model.foreFoot === 'widened',
    detail: false,
  });
}

/**
 * A small drawing of one state: the beetle with that state, cropped to the part
 * that shows it. Undefined for characters the plan cannot draw.
 */
export function beetleTile(character: Character, state: string | number): Plate | undefined {
  const part = character.plate?.part;
  const drawn = part === undefined ? undefined : PARTS[part];
  if (!drawn) return undefined;
  const model = beetleModel({ ...NEUTRAL, ...WITH[character.id], [character.id]: state });
  const pen = newPen(sizeOf(model) * (drawn.scale ?? 1), part === 'body' ? 'figure' : 'tile');
  drawn.draw(pen, model);
  return cropPlate(finish(pen), squareRound(pen.parts[part!] ?? finish(pen).box, drawn.margin));
}
