import type { Character } from '../../guide/working';
import { cropPlate, type Plate, squareRound } from '../display';
import { type Detail, finish, newPen, type Pen } from '../pen';
import type { Traits } from '../traits';
import { drawFlower, drawFlowerPlate, drawUmbelPlate } from './flower';
import { drawFruitPlate } from './fruit';
import { drawHabit } from './habit';
import { drawEndLeaflet, drawLeafPlate, drawSheath } from './leaf';
import { umbelModel, type UmbelModel } from './model';
import { drawLength, drawSection } from './stem';

/** An umbel with nothing remarkable about it: tiles differ only in the state they show. */
const NEUTRAL: Traits = { rays: 9, bracteoles: 'none', 'leaflet-edge': 'entire', 'leaf-division': 'once', 'fruit-ribs': 'faint' };

/** What goes with a character, so that its states can be seen. */
const WITH: Record<string, Traits> = { 'fruit-coat': { 'fruit-ratio': 1.3 }, 'petal-colour': { 'petal-tip': 'flat' } };

/** How each part is drawn alone, the size its lines follow, and the room round it. */
const PARTS: Record<
  string,
  {
    draw: (pen: Pen, model: UmbelModel) => void;
    size: number;
    margin: number;
    detail?: Detail;
    crop?: string;
    without?: readonly string[];
  }
> = {
  habit: { draw: drawHabit, size: 900, margin: 0.02, detail: 'figure', crop: 'whole' },
  leaf: { draw: drawLeafPlate, size: 160, margin: 0.02, crop: 'whole', without: ['sheath'] },
  leaflet: { draw: drawEndLeaflet, size: 90, margin: 0.02, crop: 'whole' },
  sheath: { draw: (pen, model) => drawSheath(pen, model, [0, 0], 30), size: 30, margin: 0.1 },
  section: { draw: (pen, model) => drawSection(pen, model, [0, 0]), size: 11, margin: 0.04 },
  stem: { draw: (pen, model) => drawLength(pen, model, [0, 0]), size: 13, margin: 0.02 },
  rays: { draw: drawUmbelPlate, size: 60, margin: 0.02, crop: 'whole' },
  bracts: { draw: drawUmbelPlate, size: 40, margin: 0.02, without: ['heads'] },
  bracteoles: { draw: drawFlowerPlate, size: 10, margin: 0.14, without: ['petals'] },
  petals: { draw: (pen, model) => drawFlower(pen, model, [0, 0], 3, 0), size: 7, margin: 0.06, crop: 'whole' },
  petal: { draw: (pen, model) => drawFlower(pen, model, [0, 0], 3), size: 6, margin: 0.06, crop: 'whole' },
  fruit: { draw: drawFruitPlate, size: 4, margin: 0.1, crop: 'whole' },
};

/**
 * A small drawing of one state: the part that shows it, of a plant with that
 * state. Undefined for characters the plan cannot draw.
 */
export function umbelTile(character: Character, state: string | number): Plate | undefined {
  const part = character.plate?.part ?? '';
  const drawn = PARTS[part];
  if (!drawn) return undefined;
  const model = umbelModel({ ...NEUTRAL, ...WITH[character.id], [character.id]: state });
  const pen = newPen(drawn.size, drawn.detail ?? 'tile');
  drawn.draw(pen, model);
  const whole = finish(pen);
  const kept = { ...whole, inks: whole.inks.filter((ink) => !drawn.without?.includes(ink.part)) };
  return cropPlate(kept, squareRound(drawn.crop === 'whole' ? whole.box : pen.parts[part], drawn.margin));
}
