export { CONE_VIEWS, type ConeView, drawCone } from './draw';
export { coneMeasures } from './measures';
export { coneModel, type ConeModel } from './model';
export { coneOutline } from './outline';
export { coneTile } from './tiles';
