import type { Character } from '../../guide/working';
import { cropPlate, type Plate, squareRound } from '../display';
import { type Detail, finish, newPen, type Pen } from '../pen';
import type { Traits } from '../traits';
import { drawAntennae, drawBody } from './body';
import { drawForeWing } from './foreWing';
import { mothModel, type MothModel, sizeOf } from './model';
import { drawAtRest, drawSpread, spreadWing } from './spread';

/** A moth with nothing remarkable about it: tiles differ only in the state they show. */
const NEUTRAL: Traits = { midband: 'none', 'outer-line': 'none', lantern: 'none', 'hind-border': 'none' };

/** What goes with a character, so that its states can be seen. */
const WITH: Record<string, Traits> = {
  'lantern-colour': { lantern: 'round', 'ground-colour': 'umber' },
  lantern: { 'ground-colour': 'umber' },
  'ground-colour': { midband: 'straight' },
};

const wingAlone = (pen: Pen, model: MothModel): void =>
  drawForeWing(pen, model, spreadWing(model, 1), { part: 'fore-wing', tone: () => 0 });

/** How each part is drawn alone, the room round it, and how heavy its lines are. */
const PARTS: Record<
  string,
  { draw: (pen: Pen, model: MothModel) => void; margin: number; scale: number; detail?: Detail; crop?: string }
> = {
  'fore-wing': { draw: wingAlone, margin: 0.02, scale: 0.75 },
  midband: { draw: wingAlone, margin: 0.02, scale: 0.75, crop: 'fore-wing' },
  'outer-line': { draw: wingAlone, margin: 0.02, scale: 0.75, crop: 'fore-wing' },
  fringe: { draw: wingAlone, margin: 0.02, scale: 0.75, crop: 'fore-wing' },
  lantern: { draw: wingAlone, margin: 0.3, scale: 0.4 },
  'hind-wing': { draw: drawSpread, margin: 0.01, scale: 0.9, detail: 'figure', crop: 'whole' },
  antenna: {
    draw: (pen, model) => {
      drawAntennae(pen, model, [0, model.wing * 0.03]);
    },
    margin: 0.08,
    scale: 0.6,
  },
  collar: { draw: (pen, model) => drawBody(pen, model, false), margin: 0.5, scale: 0.3 },
  abdomen: { draw: drawBody, margin: 0.1, scale: 0.5 },
  tuft: { draw: drawBody, margin: 0.1, scale: 0.5, crop: 'whole' },
  rest: { draw: drawAtRest, margin: 0.01, scale: 0.8, crop: 'whole' },
};

/**
 * A small drawing of one state: the part that shows it, of a moth with that
 * state. Undefined for characters the plan cannot draw.
 */
export function mothTile(character: Character, state: string | number): Plate | undefined {
  const part = character.plate?.part ?? '';
  const drawn = PARTS[part];
  if (!drawn) return undefined;
  const model = mothModel({ ...NEUTRAL, ...WITH[character.id], [character.id]: state });
  const pen = newPen(sizeOf(model) * drawn.scale, drawn.detail ?? 'tile');
  drawn.draw(pen, model);
  const whole = finish(pen);
  return cropPlate(whole, squareRound(drawn.crop === 'whole' ? whole.box : pen.parts[drawn.crop ?? part], drawn.margin));
}
