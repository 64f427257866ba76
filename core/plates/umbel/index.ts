import type { Plate } from '../display';
import { type Detail, finish, newPen } from '../pen';
import type { Plan } from '../plan';
import { reduced } from '../reduced';
import type { Traits } from '../traits';
import { drawFlowerPlate, drawFruitingHead, drawUmbelPlate } from './flower';
import { drawFruitPlate, FRUIT_BY, PLATE } from './fruit';
import { drawHabit } from './habit';
import { drawLeafPlate } from './leaf';
import { umbelModel, type UmbelModel } from './model';
import { drawStemPlate } from './stem';
import { umbelMeasures } from './measures';
import { umbelTile } from './tiles';
import { UMBEL_TRAITS } from './vocabulary';
import { UMBEL_PLACES } from './places';

export const UMBEL_VIEWS = ['habit', 'leaf', 'stem', 'umbel', 'flower', 'fruit'] as const;
export type UmbelView = (typeof UMBEL_VIEWS)[number];

/** How each view is drawn, and the size in millimetres that its lines follow. */
const DRAWN = {
  habit: { draw: drawHabit, size: ({ height }: UmbelModel) => height * 6 },
  leaf: { draw: drawLeafPlate, size: () => 150 },
  stem: { draw: drawStemPlate, size: () => 20 },
  umbel: { draw: drawUmbelPlate, size: () => 75 },
  flower: { draw: drawFlowerPlate, size: () => 13 },
  fruit: { draw: drawFruitPlate, size: () => PLATE * FRUIT_BY },
} as const;

/** A whole plant, or one of its parts large, in millimetres. */
export function drawUmbelView(traits: Traits, view: UmbelView, detail: Detail = 'full'): Plate {
  const model = umbelModel(traits);
  const { draw, size } = DRAWN[view];
  const pen = newPen(size(model), detail);
  if (view === 'flower' && model.bears === 'fruits') drawFruitingHead(pen, model);
  else draw(pen, model);
  const plate = finish(pen, 0.06);
  return view === 'fruit' ? reduced(plate, FRUIT_BY) : plate;
}

const ALWAYS: readonly UmbelView[] = ['habit', 'leaf', 'stem'];

/** Has the plant what a view shows? Leaves have no umbel, and flowers no fruit yet. */
export function umbelShows(traits: Traits, view: UmbelView): boolean {
  const { bears } = umbelModel(traits);
  return ALWAYS.includes(view) || bears === 'fruits' || (bears === 'flowers' && view !== 'fruit');
}

export const UMBEL: Plan = {
  vocabulary: UMBEL_TRAITS,
  places: UMBEL_PLACES,
  views: UMBEL_VIEWS,
  draw: (traits, view, detail) => drawUmbelView(traits, view as UmbelView, detail),
  tile: umbelTile,
  measures: umbelMeasures,
  shows: (traits, view) => umbelShows(traits, view as UmbelView),
};
