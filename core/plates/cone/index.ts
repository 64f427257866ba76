import type { Plan } from '../plan';
import { CONE_VIEWS, type ConeView, drawCone } from './draw';
import { coneMeasures } from './measures';
import { coneTile } from './tiles';
import { CONE_TRAITS } from './vocabulary';
import { CONE_PLACES } from './places';

export { drawCone } from './draw';
export { coneModel, type ConeModel } from './model';
export { coneOutline } from './outline';

export const CONE: Plan = {
  vocabulary: CONE_TRAITS,
  places: CONE_PLACES,
  views: CONE_VIEWS,
  draw: (traits, view, detail) => drawCone(traits, view as ConeView, detail),
  tile: coneTile,
  measures: coneMeasures,
};
