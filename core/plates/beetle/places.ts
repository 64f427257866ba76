import { placesOf } from '../places';

/** Where on a beetle each trait shows. */
export const BEETLE_PLACES = placesOf({
  dorsal: {
    body: 'body-length',
    elytra: 'elytra-ratio elytra-hair elytra-pattern ground-colour',
    pronotum: 'pronotum-ratio pronotum-sides pronotum-groove pronotum-pits',
    'hind-angle': 'hind-angle',
    shoulder: 'shoulder',
    rows: 'puncture-rows row-punctures intervals',
    'elytra-tip': 'elytra-tip',
    antenna: 'antenna-reach',
    'fore-foot': 'fore-foot',
  },
  lateral: {
    profile: 'profile',
  },
  head: {
    mandibles: 'mandible',
    clypeus: 'clypeus',
    eyes: 'eyes',
    palp: 'palp-tip',
    antenna: 'antenna',
  },
  'hind-leg': {
    foot: 'foot-segments fourth-segment',
    claws: 'claws',
    spur: 'spur-ratio',
    shin: 'hind-shin shin-edge leg-colour',
    thigh: 'hind-thigh',
  },
});
