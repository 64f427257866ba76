import type { Plate } from '../display';
import { type Detail, finish, newPen } from '../pen';
import type { Plan } from '../plan';
import { reduced } from '../reduced';
import type { Traits } from '../traits';
import { drawAbove } from './dorsal';
import { drawFace } from './head';
import { drawHindLeg } from './hindLeg';
import { drawSide } from './lateral';
import { beetleModel, sizeOf } from './model';
import { beetleMeasures } from './measures';
import { beetleTile } from './tiles';
import { BEETLE_TRAITS } from './vocabulary';
import { BEETLE_PLACES } from './places';

export const BEETLE_VIEWS = ['dorsal', 'lateral', 'head', 'hind-leg'] as const;
export type BeetleView = (typeof BEETLE_VIEWS)[number];

/**
 * Lines of the enlarged parts are as fine as those of the whole animal. A head is a millimetre across: in whole hundredths
 * of one it would have facets on a large plate, so it is drawn `by` times as large, as far as the budget of a plate allows.
 */
const VIEWS = {
  dorsal: { draw: drawAbove, scale: 1, by: 2 },
  lateral: { draw: drawSide, scale: 0.9, by: 10 },
  head: { draw: drawFace, scale: 0.42, by: 10 },
  'hind-leg': { draw: drawHindLeg, scale: 0.5, by: 10 },
} as const;

/** A whole beetle from above or its side, or its head from the front, or a hind leg, in millimetres. */
export function drawBeetle(traits: Traits, view: BeetleView, detail: Detail = 'full'): Plate {
  const model = beetleModel(traits);
  const { draw, scale, by: most } = VIEWS[view];
  const by = detail === 'full' ? most : 1;
  const large = { ...model, length: model.length * by };
  const pen = newPen(sizeOf(large) * scale, detail);
  draw(pen, large);
  return reduced(finish(pen, 0.07), by);
}

export const BEETLE: Plan = {
  vocabulary: BEETLE_TRAITS,
  places: BEETLE_PLACES,
  views: BEETLE_VIEWS,
  draw: (traits, view, detail) => drawBeetle(traits, view as BeetleView, detail),
  tile: beetleTile,
  measures: beetleMeasures,
};
