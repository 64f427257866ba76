import { placesOf } from '../places';

/** Where on a crab each trait shows. */
export const CRAB_PLACES = placesOf({
  ventral: {
    abdomen: 'abdomen abdomen-ratio',
    belly: 'eggs belly-spots',
    'claw-right': 'claw-inside',
  },
  dorsal: {
    carapace: 'carapace-width width-ratio widest-point back-pattern ground-colour',
    back: 'shell-wear back-groove granules',
    front: 'front-edge eye-stalks',
    side: 'side-teeth tooth-form',
    rear: 'rear-edge',
    'claw-right': 'claw-ratio claw-depth',
    claws: 'claw-balance',
    'claw-right-fingers': 'claw-gape claw-teeth claw-tips',
    'leg-2-right': 'leg-ratio leg-fringe leg-bands',
    'leg-2-right-tip': 'leg-tip',
  },
});
