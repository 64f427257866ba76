import type { Plate } from '../display';
import { type Detail, finish, newPen } from '../pen';
import type { Plan } from '../plan';
import type { Traits } from '../traits';
import { mothModel, sizeOf } from './model';
import { drawAtRest, drawSpread } from './spread';
import { mothMeasures } from './measures';
import { mothTile } from './tiles';
import { MOTH_TRAITS } from './vocabulary';
import { MOTH_PLACES } from './places';

export const MOTH_VIEWS = ['spread', 'rest'] as const;
export type MothView = (typeof MOTH_VIEWS)[number];

/** A whole moth from above in millimetres: wings spread, or at rest. */
export function drawMoth(traits: Traits, view: MothView, detail: Detail = 'full'): Plate {
  const model = mothModel(traits);
  const pen = newPen(sizeOf(model), detail);
  if (view === 'spread') drawSpread(pen, model);
  else drawAtRest(pen, model);
  return finish(pen, 0.06);
}

export const MOTH: Plan = {
  vocabulary: MOTH_TRAITS,
  places: MOTH_PLACES,
  views: MOTH_VIEWS,
  draw: (traits, view, detail) => drawMoth(traits, view as MothView, detail),
  tile: mothTile,
  measures: mothMeasures,
};
