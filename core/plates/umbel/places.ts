import { placesOf } from '../places';

/** Where on an umbel each trait shows. */
export const UMBEL_PLACES = placesOf({
  habit: {
    habit: 'bears height',
  },
  leaf: {
    leaf: 'leaf-division leaflet-ratio',
    leaflet: 'leaflet-shape leaflet-edge leaf-tint',
    sheath: 'leaf-sheath',
  },
  stem: {
    stem: 'stem-surface stem-marks',
    section: 'stem-section',
  },
  umbel: {
    rays: 'rays ray-spread',
    bracts: 'bracts',
  },
  flower: {
    bracteoles: 'bracteoles',
    petals: 'outer-petals petal-colour',
    petal: 'petal-tip',
  },
  fruit: {
    fruit: 'fruit-ratio fruit-ribs fruit-coat fruit-styles fruit-tint',
  },
});
