import type { Plate } from '../display';
import { type Detail, finish, newPen } from '../pen';
import type { Plan } from '../plan';
import type { Traits } from '../traits';
import { drawBelow } from './below';
import { drawHeadOn } from './headOn';
import { sizeOf, ternModel } from './model';
import { drawPerched } from './perched';
import { ternMeasures } from './measures';
import { ternTile } from './tiles';
import { TERN_TRAITS } from './vocabulary';
import { TERN_PLACES } from './places';

export const TERN_VIEWS = ['perched', 'below', 'head-on'] as const;
export type TernView = (typeof TERN_VIEWS)[number];

const DRAWN = { perched: drawPerched, below: drawBelow, 'head-on': drawHeadOn } as const;

/** A whole tern in millimetres: at rest facing left, in flight from below with its head up, or coming towards us. */
export function drawTern(traits: Traits, view: TernView, detail: Detail = 'full'): Plate {
  const model = ternModel(traits);
  const pen = newPen(sizeOf(model), detail);
  DRAWN[view](pen, model);
  return finish(pen, 0.05);
}

export const TERN: Plan = {
  vocabulary: TERN_TRAITS,
  places: TERN_PLACES,
  views: TERN_VIEWS,
  draw: (traits, view, detail) => drawTern(traits, view as TernView, detail),
  tile: ternTile,
  measures: ternMeasures,
};
